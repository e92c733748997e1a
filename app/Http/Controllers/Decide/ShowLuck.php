<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Evidence\JudgedClaims;
use HonestCore\Agreement\CostOfTogether;
use Illuminate\Http\JsonResponse;

/** How many claims are judged, and how many of them would stand by luck. */
final class ShowLuck
{
    public function __invoke(JudgedClaims $judged): JsonResponse
    {
        ['luck' => $luck, 'together' => $together] = $judged();

        return new JsonResponse([
            'judged' => $luck->judged,
            'by_luck' => $luck->expected,
            'any_by_luck' => $luck->anyAtAll,
            'together' => array_map(
                static fn (string $analyte, CostOfTogether $cost): array => [
                    'analyte' => $analyte,
                    'claims' => $cost->claims,
                    'alone' => $cost->alone,
                    'together' => $cost->together,
                ],
                array_keys($together),
                array_values($together),
            ),
        ]);
    }
}
