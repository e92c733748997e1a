<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Decide\Sign;
use App\Actions\Verdicts\VerdictStatus;
use App\Http\Requests\Decide\VerdictRequest;
use App\Http\Resources\Decide\VerdictResource;
use App\Models\TestMethod;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class SignVerdict
{
    public function __invoke(VerdictRequest $request, TestMethod $method, Sign $sign, VerdictStatus $status): JsonResponse
    {
        /** @var User $signer */
        $signer = $request->user();
        $follows = $request->input('follows_id') === null ? null : $request->integer('follows_id');
        $verdict = $sign(
            $method,
            $signer,
            $request->string('claim')->toString(),
            $request->string('hash')->toString(),
            $follows,
            $request->string('scope')->toString(),
            $request->string('note')->toString(),
            $request->filled('reference_id') ? TestMethod::named($request->integer('reference_id')) : null,
            $request->boolean('records'),
        );

        return (new VerdictResource($status->shown($verdict)))->response()->setStatusCode(201);
    }
}
