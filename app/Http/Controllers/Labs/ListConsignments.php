<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Database\Values;
use App\Models\Consignment;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ListConsignments
{
    private const MOST = 200;

    public function __invoke(Request $request): JsonResponse
    {
        $consignments = Consignment::newest(self::MOST, $request->boolean('open'));

        return new JsonResponse(
            $consignments->map(
                static fn (Consignment $one): array => [
                    'id' => $one->id,
                    'number' => $one->number,
                    'lab' => $one->lab->name,
                    'state' => $one->state,
                    'portions' => Values::whole($one->getAttribute('contents_count')),
                    'fee_cents' => $one->fee_cents,
                    'sent_at' => $one->sent_at?->toIso8601ZuluString(),
                    'expected_on' => $one->expected_on?->format('Y-m-d'),
                    'asked_on' => $one->asked_on?->format('Y-m-d'),
                    'days_late' => $one->daysLate(),
                    'word' => $one->word,
                ],
            ),
        );
    }
}
