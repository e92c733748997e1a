<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Custody\FindPortions;
use App\Actions\Labs\Draft;
use App\Http\Requests\Labs\ConsignmentRequest;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Carbon;

/** What a consignment would cost, when its report is expected, and what is to be mended first. */
final class DraftConsignment
{
    public function __invoke(ConsignmentRequest $request, Draft $draft, FindPortions $find): JsonResponse
    {
        $made = $draft($request->lab(), $request->contents($find), $request->answers(), Carbon::now());

        return new JsonResponse(
            [
                'contents' => array_map(
                    static fn (array $one): array => [
                        'code' => $one['portion']->code,
                        'tests' => $one['tests'],
                        'needs_ml' => $one['needs_ml'],
                    ],
                    $made['contents'],
                ),
            ] + $made,
        );
    }
}
