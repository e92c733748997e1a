<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\ComposeProgram;
use App\Actions\Readings\NoteGlimpses;
use App\Http\Requests\Prescribe\ProgramRequest;
use App\Http\Resources\Prescribe\ProgramResource;
use App\Models\Area;

/** The program of an area as it would be signed now, by what was chosen so far. */
final class ShowProgram
{
    public function __invoke(ProgramRequest $request, Area $area, ComposeProgram $compose, NoteGlimpses $note): ProgramResource
    {
        $note->ofArea($area);

        return new ProgramResource($compose($area, $compose->chosen($area, $request->crop())));
    }
}
