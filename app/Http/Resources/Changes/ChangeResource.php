<?php

declare(strict_types=1);

namespace App\Http\Resources\Changes;

use App\Models\RecordChange;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property RecordChange $resource */
final class ChangeResource extends JsonResource
{
    /** A drawn line or a long list is told by its name alone. */
    private const LONGEST = 200;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $it = $this->resource;
        $fields = array_keys($it->after === [] ? array_intersect_key($it->before, ['name' => 1]) : $it->after);

        return [
            'id' => $it->id,
            'at' => $it->at->toIso8601ZuluString(),
            'who' => $it->user->name ?? '',
            'kind' => $it->kind,
            'record' => $it->record_id,
            'name' => $it->name,
            'removed' => $it->after === [],
            'fields' => array_map(
                static fn (string $field): array => [
                    'field' => $field,
                    'before' => self::words($it->before[$field] ?? null),
                    'after' => self::words($it->after[$field] ?? null),
                ],
                array_values(array_map(strval(...), $fields)),
            ),
            'takes_back' => $it->takes_back,
            'taken_back' => $it->takenBack !== null,
            'can_go_back' => $it->canGoBack(),
        ];
    }

    private static function words(mixed $value): ?string
    {
        $text = is_scalar($value) ? (string) $value : ($value === null ? null : (string) json_encode($value, JSON_UNESCAPED_UNICODE));

        return $text === null || mb_strlen($text) > self::LONGEST ? null : $text;
    }
}
