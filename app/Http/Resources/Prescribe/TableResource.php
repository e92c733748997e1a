<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Models\TableChange;
use HonestCore\Table\ChangedTable;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property array{string, TableChange|null} $resource the name of a table and what was put in its place */
final class TableResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        [$name, $change] = $this->resource;
        $shipped = new Fields(RuleTable::shipped($name));
        $figures = ChangedTable::figures($name);

        return [
            'name' => $name,
            'source' => $shipped->text('source'),
            'dated' => $shipped->textOrNull('dated'),
            'figures' => array_map(
                static fn (string $path, float $value): array => [
                    'path' => $path,
                    'label' => ChangedTable::label($path),
                    'shipped' => $value,
                    'own' => $change->figures[$path] ?? null,
                ],
                array_keys($figures),
                array_values($figures),
            ),
            'change' => $change === null
                ? null
                : [
                    'site_only' => $change->site_id !== null,
                    'source' => $change->source,
                    'dated' => $change->dated->format('Y-m-d'),
                    'by' => $change->author->name,
                    'at' => $change->created_at->toIso8601String(),
                ],
        ];
    }
}
