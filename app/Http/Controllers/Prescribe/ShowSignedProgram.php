<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Http\Resources\Prescribe\SignedProgramResource;
use App\Models\SignedProgram;

final class ShowSignedProgram
{
    public function __invoke(SignedProgram $program): SignedProgramResource
    {
        return new SignedProgramResource($program->shown());
    }
}
