<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\ChangeDraft;
use App\Actions\Prescribe\ComposeProgram;
use App\Http\Requests\Prescribe\ChangeProgramRequest;
use App\Http\Resources\Prescribe\ProgramResource;
use App\Models\Area;
use App\Models\User;

final class ChangeProgram
{
    public function __invoke(ChangeProgramRequest $request, Area $area, ChangeDraft $change, ComposeProgram $compose): ProgramResource
    {
        /** @var User $author */
        $author = $request->user();
        $draft = $change(
            $area,
            $author,
            $request->choices(),
            $request->integer('version'),
            $request->string('reason')->trim()->toString(),
        );

        return new ProgramResource($compose($area, $draft->choices));
    }
}
