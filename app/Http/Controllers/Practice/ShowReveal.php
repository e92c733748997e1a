<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Actions\Practice\Reveal;
use App\Exceptions\Conflict;
use App\Http\Resources\Practice\RevealResource;
use App\Models\PracticeField;

/** What the ground was, once something is signed. */
final class ShowReveal
{
    public function __invoke(Reveal $reveal): RevealResource
    {
        return new RevealResource($reveal(PracticeField::here() ?? throw Conflict::because('practice_not_here')));
    }
}
