<?php

declare(strict_types=1);

namespace App\Http\Resources\Records;

use App\Actions\Records\RecordFile;
use App\Models\TestMethod;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Reports\RecordRow;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property RecordFile $resource */
final class RecordPreviewResource extends JsonResource
{
    private const SHOWN = 12;

    public function __construct(RecordFile $file, private readonly TestMethod $test)
    {
        parent::__construct($file);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $file = $this->resource;
        $records = $file->records;

        return [
            'columns' => $file->table->columns,
            'first' => array_map(
                static fn (array $cells): array => array_values($cells),
                array_slice(array_values($file->table->rows), 0, 3),
            ),
            'mapping' => $file->mapping->toRow(),
            'asks' => $file->mapping->asks($this->test->analyte, $this->test->bands !== null),
            'unsettled' => $records->unsettled,
            'units' => array_values(array_filter(
                SoilUnit::codes(),
                fn (string $code): bool => SoilUnit::named($code)->fits($this->test->analyte),
            )),
            'home_unit' => (string) SoilUnit::home($this->test->analyte)?->code,
            'rows' => count($records->rows),
            'samples' => count(array_unique(array_map(static fn (RecordRow $row): string => $row->sample, $records->rows))),
            'read' => array_map(
                static fn (RecordRow $row): array => [
                    'row' => $row->row,
                    'sample' => $row->sample,
                    'reference' => $row->reference,
                    'test' => $row->band ?? $row->value,
                    'on' => $row->on ?? (string) $row->year,
                ],
                array_slice($records->rows, 0, self::SHOWN),
            ),
            'left_out' => array_slice($records->leftOut, 0, 200),
            'left_out_total' => count($records->leftOut),
        ];
    }
}
