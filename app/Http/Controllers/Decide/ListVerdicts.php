<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Decide\TodaysRules;
use App\Actions\Verdicts\VerdictStatus;
use App\Database\Page;
use App\Http\Resources\Decide\VerdictResource;
use App\Models\SignedVerdict;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The register of signed verdicts, newest first, some at a time. */
final class ListVerdicts
{
    public function __invoke(Request $request, VerdictStatus $status): JsonResponse
    {
        $request->validate(['page' => Page::ASKED]);

        return new JsonResponse(
            Page::of(SignedVerdict::register(), $request->integer('page', 1), TodaysRules::PER_PAGE)
                ->told(static fn (SignedVerdict $verdict): VerdictResource => new VerdictResource($status->shown($verdict))),
        );
    }
}
