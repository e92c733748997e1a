<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Decide\SetPolicy;
use App\Actions\Evidence\GatherEvidence;
use App\Http\Requests\Decide\PolicyRequest;
use App\Http\Resources\Decide\PolicyResource;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class CreatePolicy
{
    public function __invoke(PolicyRequest $request, SetPolicy $set, GatherEvidence $evidence): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $analyte = $request->string('analyte')->toString();
        $policy = $set(
            $analyte,
            $request->termsAfter($evidence->policy($analyte)->terms),
            $request->string('reason')->toString(),
            $author,
        );

        return (new PolicyResource($policy))->response()->setStatusCode(201);
    }
}
