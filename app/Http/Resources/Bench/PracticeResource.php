<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use App\Models\PracticeRound;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property PracticeRound $resource */
final class PracticeResource extends JsonResource
{
    /** @return array<string, mixed> what the tubes are is told when they are read */
    public function toArray(Request $request): array
    {
        $round = $this->resource;
        $read = $round->answers !== null;

        return [
            'id' => $round->id,
            'method_id' => $round->method_id,
            'method' => $round->method->name,
            'reader' => $round->reader,
            'source' => $round->source,
            'at' => $round->created_at->toIso8601ZuluString(),
            'tubes' => array_map(
                static fn (array $tube, int $i): array => [
                    'hex' => $tube['hex'],
                    'known' => $read ? (float) $tube['known'] : null,
                    'read' => $round->answers[$i]['band'] ?? null,
                    'between' => $round->answers[$i]['between'] ?? null,
                ],
                $round->tubes,
                array_keys($round->tubes),
            ),
            'score' => $round->score,
        ];
    }
}
