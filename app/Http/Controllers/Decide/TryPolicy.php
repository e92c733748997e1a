<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Decide\PreviewPolicy;
use App\Actions\Evidence\GatherEvidence;
use App\Http\Requests\Decide\PolicyRequest;
use Illuminate\Http\JsonResponse;

/** What a policy would have changed in every past verdict; nothing is stored. */
final class TryPolicy
{
    public function __invoke(PolicyRequest $request, PreviewPolicy $preview, GatherEvidence $evidence): JsonResponse
    {
        $analyte = $request->string('analyte')->toString();

        return new JsonResponse($preview($analyte, $request->termsAfter($evidence->policy($analyte)->terms)));
    }
}
