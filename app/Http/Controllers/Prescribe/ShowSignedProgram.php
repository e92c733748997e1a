<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Readings\NoteGlimpses;
use App\Http\Resources\Prescribe\SignedProgramResource;
use App\Models\SignedProgram;

final class ShowSignedProgram
{
    public function __invoke(SignedProgram $program, NoteGlimpses $note): SignedProgramResource
    {
        $note->ofArea($program->shown()->area);

        return new SignedProgramResource($program);
    }
}
