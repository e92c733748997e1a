<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Evidence\JudgedClaims;
use Illuminate\Http\JsonResponse;

/** How many claims are judged, and how many of them would stand by luck. */
final class ShowLuck
{
    public function __invoke(JudgedClaims $judged): JsonResponse
    {
        $luck = $judged();

        return new JsonResponse([
            'judged' => $luck->judged,
            'by_luck' => $luck->expected,
            'any_by_luck' => $luck->anyAtAll,
        ]);
    }
}
