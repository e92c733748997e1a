<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Actions\Prescribe\OwnTables;
use App\Models\TableChange;
use HonestCore\Table\ChangedTable;
use HonestCore\Table\Fields;
use HonestCore\Table\MetricFigure;
use HonestCore\Table\RuleTable;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property array{string, TableChange|null, bool} $resource the name of a table, what was put in its place, and is the site metric */
final class TableResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        [$name, $change, $isMetric] = $this->resource;
        $shipped = new Fields(RuleTable::shipped($name));
        $figures = ChangedTable::figures($name);

        return [
            'name' => $name,
            'state' => OwnTables::state($change),
            'source' => $shipped->text('source'),
            'dated' => $shipped->textOrNull('dated'),
            'figures' => array_map(
                static function (string $path, float $value) use ($change, $isMetric): array {
                    $label = ChangedTable::label($path);
                    $metric = MetricFigure::of($path, $label);

                    return [
                        'path' => $path,
                        'label' => $isMetric ? $metric->label : $label,
                        'shipped' => $value,
                        'own' => $change->figures[$path] ?? null,
                        'by' => $isMetric ? $metric->by : 1.0,
                    ];
                },
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
