<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\Lab;
use App\Models\LabImport;
use HonestCore\Error\CoreError;
use HonestCore\Reports\ColumnChoices;
use HonestCore\Reports\SoilUnit;

/**
 * What a file would become: its columns under a mapping, and its first results as they would be stored.
 *
 * @phpstan-import-type Mapping from ReportFile
 */
final class PreviewReport
{
    private const ROWS = 8;

    private const RESULTS = 60;

    /**
     * @param Mapping|null $mapping null for the remembered or guessed one
     * @return array<string, mixed>
     */
    public function __invoke(ReportFile $file, Lab $lab, ?array $mapping, ?bool $decimalComma, string $sha256): array
    {
        $own = $file->mapping($lab);
        $fits = $mapping !== null && count($mapping['columns']) === count($file->text->columns);
        $used = $fits ? $mapping : $own['mapping'];
        $comma = $decimalComma ?? $file->text->decimalComma;
        $known = LabImport::query()->where('sha256', $sha256)->first();

        return [
            'sha256' => $sha256, 'charset' => $file->text->charset, 'delimiter' => $file->text->delimiter, 'header_row' => $file->text->headerRow, 'decimal_comma' => $comma, 'interchange' => $file->interchange, 'rows' => count($file->text->rows),
            'names' => $file->text->columns, 'mapping' => $used, 'remembered' => ! $fits && $own['remembered'], 'taken_before' => $known === null ? null : ['id' => $known->id, 'file_name' => $known->file_name],
            'cells' => array_map(static fn (array $cells, int $row): array => ['row' => $row, 'cells' => $cells], array_slice($file->text->rows, 0, self::ROWS), array_slice(array_keys($file->text->rows), 0, self::ROWS)),
            'results' => $this->results($file, $lab, $used, $comma), 'choices' => ColumnChoices::all()->toArray(),
        ];
    }

    /**
     * @param Mapping $mapping
     * @return list<array<string, mixed>>
     */
    private function results(ReportFile $file, Lab $lab, array $mapping, bool $comma): array
    {
        $results = [];
        $lines = [];
        foreach ((new ReportLines($file, $mapping, $comma))->all() as $line) {
            $lines[] = $line;
            if (count($lines) >= self::RESULTS) {
                break;
            }
        }
        $match = new MatchPortions($lab);
        $match->learn(array_values(array_filter(array_unique([...array_column($lines, 'sample'), ...array_column($lines, 'lab_number')]), static fn (string $text): bool => $text !== '' && strlen($text) <= 80)));
        foreach ($lines as $line) {
            $portion = $match->find($line['sample'], $line['lab_number']);
            [$value, $problem] = [null, $line['problem']];
            if ($problem === null) {
                try {
                    $value = $line['value']->number === null ? null : SoilUnit::toHome($line['analyte'], $line['value']->number, SoilUnit::named($line['unit']), $line['form'], ReportLines::depthCm($line['depth'], $portion->depth ?? ''), isset($mapping['bulk_density']) ? (float) $mapping['bulk_density'] : null);
                } catch (CoreError $error) {
                    $problem = $error->getMessage();
                }
            }
            $text = $line['sample'] !== '' ? $line['sample'] : $line['lab_number'];
            $results[] = [
                'row' => $line['row'], 'sample' => mb_substr($text, 0, 80), 'portion' => $portion?->code, 'near' => $portion === null && $text !== '' ? $match->near($text) : [], 'series' => implode(', ', array_filter([SideBySide::name($line['analyte']), $line['extractant'], $line['instrument']])),
                'as_reported' => mb_substr($line['cell'], 0, 60), 'unit_reported' => $line['unit'], 'said' => $line['value']->kind, 'value' => $value, 'unit' => SoilUnit::home($line['analyte'])->code ?? '', 'problem' => $problem,
            ];
        }

        return $results;
    }
}
