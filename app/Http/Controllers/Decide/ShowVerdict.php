<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Http\Resources\Decide\VerdictResource;
use App\Models\Verdict;

final class ShowVerdict
{
    public function __invoke(Verdict $verdict): VerdictResource
    {
        return new VerdictResource($verdict->load(Verdict::SHOWN_WITH));
    }
}
