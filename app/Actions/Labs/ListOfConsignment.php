<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Models\ConsignedPortion;
use App\Models\Consignment;
use HonestCore\Table\CsvForm;
use HonestCore\Table\CsvWriter;

/** The list that goes with a consignment, in the columns that its lab asks for. */
final class ListOfConsignment
{
    public function __invoke(Consignment $consignment, CsvForm $form): string
    {
        $consignment->load('lab', 'contents.portion.sample.area');
        $columns = $consignment->lab->columns;
        $rows = [array_column($columns, 'column')];
        foreach ($consignment->contents as $one) {
            $rows[] = array_map(
                static fn (array $column): string|int|null => self::cell($one, $column['field']),
                $columns,
            );
        }

        return CsvWriter::of($rows, $form);
    }

    /** A hidden duplicate reads as one more composite of its area. */
    private static function cell(ConsignedPortion $one, string $field): string|int|null
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
