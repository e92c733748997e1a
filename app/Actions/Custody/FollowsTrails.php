<?php

declare(strict_types=1);

namespace App\Actions\Custody;

use App\Models\Portion;
use Illuminate\Database\Eloquent\Collection;

/** Whoever keeps something that follows from where portions are is told when their trails have gone on. */
interface FollowsTrails
{
    /** @param Collection<int, Portion> $portions */
    public function follow(Collection $portions): void;
}
