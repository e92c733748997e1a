<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Models\ConsignedPortion;
use App\Models\Consignment;
use HonestCore\Table\CsvWriter;
use Illuminate\Http\Response;

/** The list of a consignment in the columns that its lab asks for. */
final class DownloadList
{
    public function __invoke(Consignment $consignment): Response
    {
        $consignment->load('lab', 'contents.portion.sample.area');
        $columns = $consignment->lab->columns;
        $rows = [
            array_column($columns, 'column'),
            ...array_values(
                $consignment->contents
                    ->map(
                        fn (ConsignedPortion $one): array => array_map(
                            fn (array $column): string|int|null => $this->cell($one, $column['field']),
                            $columns,
                        ),
                    )
                    ->all(),
            ),
        ];

        return new Response(CsvWriter::of($rows), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"consignment-{$consignment->number}.csv\"",
        ]);
    }

    /** A hidden duplicate reads as one more composite of its area. */
    private function cell(ConsignedPortion $one, string $field): string|int|null
    {
        $sample = $one->portion->sample;

        return match ($field) {
            'code' => $one->portion->code,
            'tests' => implode('; ', array_column($one->tests, 'name')),
            'volume_ml' => $one->portion->volume_ml,
            'depth' => $sample?->depth,
            'area' => $sample?->area->name,
            'use' => $sample?->area->crop()->name,
            'irrigated' => $sample === null ? '' : ($sample->area->knownFacts()->irrigated ? 'yes' : 'no'),
            'pulled_on' => $sample?->pulled_on->format('Y-m-d'),
            default => '',
        };
    }
}
