<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\ComposeProgram;
use App\Http\Requests\Prescribe\ChoicesRequest;
use App\Http\Resources\Prescribe\ProgramResource;
use App\Models\Area;
use Illuminate\Http\JsonResponse;

/** The same with other choices that nobody kept yet: what is short and over is seen at once. */
final class TryProgram
{
    public function __invoke(ChoicesRequest $request, Area $area, ComposeProgram $compose): JsonResponse
    {
        return (new ProgramResource($compose($area, $request->choices())))->response()->setStatusCode(200);
    }
}
