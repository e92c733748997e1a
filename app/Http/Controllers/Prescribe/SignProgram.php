<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\SignPrescription;
use App\Http\Requests\Prescribe\SignProgramRequest;
use App\Http\Resources\Prescribe\SignedProgramResource;
use App\Models\Area;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class SignProgram
{
    public function __invoke(SignProgramRequest $request, Area $area, SignPrescription $sign): JsonResponse
    {
        /** @var User $signer */
        $signer = $request->user();
        $program = $sign(
            $area,
            $signer,
            $request->choices(),
            $request->string('hash')->toString(),
            $request->input('follows_id') === null ? null : $request->integer('follows_id'),
            $request->string('note')->toString(),
        );

        return (new SignedProgramResource($program))->response()->setStatusCode(201);
    }
}
