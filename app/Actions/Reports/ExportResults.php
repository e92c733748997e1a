<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\LabResult;
use App\Models\Reading;
use HonestCore\Table\CsvForm;
use HonestCore\Table\CsvWriter;

/**
 * All results and readings of the team with their units and methods, line by line. Text that a spreadsheet would run
 * as a formula is made harmless.
 */
final class ExportResults
{
    public const COLUMNS = [
        'sample',
        'portion',
        'kind',
        'analyte',
        'method',
        'extractant',
        'instrument',
        'value',
        'unit',
        'as_reported',
        'unit_reported',
        'form',
        'said',
        'read_on',
        'reader',
        'report',
        'lab_number',
        'left_out',
        'superseded',
    ];

    /** @return \Generator<int, array<string, string|float|null>> */
    public function rows(): \Generator
    {
        foreach (
            LabResult::query()
                ->with(['portion.sample:id,code', 'method', 'report:id,file_name,read_on'])
                ->orderBy('id')
                ->lazyById(1000) as $result
        ) {
            yield [
                'sample' => $result->portion->sample->code ?? '',
                'portion' => $result->portion->code,
                'kind' => $result->portion->kind,
                'analyte' => $result->method->analyte,
                'method' => $result->method->name,
                'extractant' => $result->method->extractant,
                'instrument' => $result->method->instrument,
                'value' => $result->value,
                'unit' => SeriesMethods::unit($result->method),
                'as_reported' => $result->as_reported,
                'unit_reported' => $result->unit,
                'form' => $result->form,
                'said' => $result->kind,
                'read_on' => $result->report->read_on?->format('Y-m-d') ?? '',
                'reader' => '',
                'report' => $result->report->file_name,
                'lab_number' => $result->lab_number,
                'left_out' => $result->excluded,
                'superseded' => $result->superseded_by === null ? '' : 'yes',
            ];
        }
        $read = Reading::query()
            ->with(['sample:id,code', 'portion:id,code,kind', 'method', 'correction:id,corrects_id'])
            // What a result became, and the same left out, went out with the result.
            ->whereNotExists(
                static fn ($results) => $results
                    ->from('lab_results')
                    ->whereColumn('lab_results.report_id', 'readings.report_id')
                    ->whereColumn('lab_results.portion_id', 'readings.portion_id')
                    ->whereColumn('lab_results.method_id', 'readings.method_id'),
            )
            ->orderBy('id');
        foreach ($read->lazyById(1000) as $reading) {
            yield [
                'sample' => $reading->sample->code,
                'portion' => $reading->portion->code,
                'kind' => $reading->portion->kind,
                'analyte' => $reading->method->analyte,
                'method' => $reading->method->name,
                'extractant' => $reading->method->extractant,
                'instrument' => $reading->method->instrument,
                'value' => $reading->value,
                'unit' => SeriesMethods::unit($reading->method),
                'as_reported' => $reading->as_reported,
                'unit_reported' => '',
                'form' => '',
                'said' => $reading->band === null ? 'number' : 'band',
                'read_on' => $reading->read_on->format('Y-m-d'),
                'reader' => $reading->reader,
                'report' => '',
                'lab_number' => '',
                'left_out' => implode(', ', $reading->flags),
                'superseded' => $reading->correction === null ? '' : 'yes',
            ];
        }
    }

    /** @param callable(string): void $write */
    public function csv(callable $write, CsvForm $form): void
    {
        $write($form->begin.CsvWriter::line(self::COLUMNS, $form));
        foreach ($this->rows() as $row) {
            $write(CsvWriter::line(array_values($row), $form));
        }
    }

    /** @param callable(string): void $write */
    public function json(callable $write): void
    {
        $write('{"results":[');
        $first = true;
        foreach ($this->rows() as $row) {
            $write(($first ? '' : ',')."\n".json_encode($row, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
            $first = false;
        }
        $write("\n]}\n");
    }
}
