<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Http\Resources\Prescribe\SignedLineResource;
use App\Models\Area;
use App\Models\SignedProgram;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

/** Every program that was signed for an area, the newest first. */
final class ListSignedPrograms
{
    public function __invoke(Area $area): AnonymousResourceCollection
    {
        return SignedLineResource::collection(SignedProgram::ofArea($area));
    }
}
