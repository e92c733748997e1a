<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use HonestCore\Error\CoreError;
use HonestCore\Reports\ColumnGuess;
use HonestCore\Reports\ReportedValue;
use HonestCore\Reports\SoilUnit;
use HonestCore\Sampling\DepthLayer;

/**
 * The results of a file under a mapping, one by one: a row a sample with a column for each result, or a row a result.
 *
 * @phpstan-import-type Mapping from ReportFile
 *
 * @phpstan-type Line array{row: int, sample: string, lab_number: string, depth: string, column: string, analyte: string, form: string, extractant: string, instrument: string, unit: string, cell: string, value: ReportedValue, problem: string|null}
 */
final class ReportLines
{
    /** @var array<string, ColumnGuess> */
    private array $guesses = [];

    /** @param Mapping $mapping */
    public function __construct(private readonly ReportFile $file, private readonly array $mapping, private readonly bool $decimalComma) {}

    /** @return \Generator<int, Line> absent results are passed over */
    public function all(): \Generator
    {
        $at = [];
        foreach ($this->mapping['columns'] as $i => $column) {
            if (! in_array($column['role'], ['result', 'ignore'], true)) {
                $at[$column['role']] = $i;
            }
        }
        $long = isset($at['analyte'], $at['value']);
        foreach ($this->file->text->rows as $row => $cells) {
            $cell = static fn (string $role): string => isset($at[$role]) ? ($cells[$at[$role]] ?? '') : '';
            $common = ['row' => $row, 'sample' => $cell('sample'), 'lab_number' => $cell('lab_number'), 'bag' => $cell('bag'), 'depth' => $cell('depth')];
            foreach ($long ? [$this->long($cell)] : $this->wide($cells) as $result) {
                $value = ReportedValue::read($result['cell'], $this->decimalComma);
                if ($value->kind === ReportedValue::ABSENT) {
                    continue;
                }
                $unit = $value->unit !== '' ? $value->unit : $result['unit'];

                yield ['sample' => $common['sample'] !== '' ? $common['sample'] : $common['bag']] + $common + ['unit' => $unit] + $result + ['value' => $value, 'problem' => $this->problem($result, $value, $unit)];
            }
        }
    }

    /**
     * @param list<string> $cells
     * @return list<array{column: string, analyte: string, form: string, extractant: string, instrument: string, unit: string, cell: string}>
     */
    private function wide(array $cells): array
    {
        $results = [];
        foreach ($this->mapping['columns'] as $i => $column) {
            if ($column['role'] === 'result') {
                $results[] = [
                    'column' => $this->file->text->columns[$i] ?? '', 'analyte' => (string) $column['analyte'], 'form' => $column['form'], 'extractant' => $column['extractant'], 'instrument' => $column['instrument'],
                    'unit' => $column['unit'], 'cell' => $cells[$i] ?? '',
                ];
            }
        }

        return $results;
    }

    /**
     * @param callable(string): string $cell
     * @return array{column: string, analyte: string, form: string, extractant: string, instrument: string, unit: string, cell: string}
     */
    private function long(callable $cell): array
    {
        $name = trim("{$cell('analyte')} {$cell('extractant')}");
        $guess = $this->guesses[$name] ??= ColumnGuess::of($name);

        return [
            'column' => $cell('analyte'), 'analyte' => $guess->role === 'result' ? (string) $guess->analyte : '', 'form' => $guess->form, 'extractant' => $guess->extractant, 'instrument' => $guess->instrument,
            'unit' => $cell('unit') !== '' ? $cell('unit') : $guess->unit, 'cell' => $cell('value'),
        ];
    }

    /** @param array{column: string, analyte: string} $result */
    private function problem(array $result, ReportedValue $value, string $unit): ?string
    {
        if ($result['analyte'] === '' || SoilUnit::home($result['analyte']) === null) {
            return "\"{$result['column']}\" is no analyte that is known here; say what the column is, or leave it out.";
        }
        if ($value->kind === ReportedValue::UNREADABLE) {
            return "\"{$value->words}\" is no result; accepted are numbers".($this->decimalComma ? ' with a decimal comma' : ' with a decimal point').', "<0.5", ranges, "trace", ratings in words, and nothing.';
        }
        try {
            SoilUnit::named($unit);
        } catch (CoreError $error) {
            return $error->getMessage();
        }

        return null;
    }

    /** The depth of a layer in centimetres, from the text of a report or that of the sample. */
    public static function depthCm(string $text, string $ofSample): ?float
    {
        static $known = [];
        if (array_key_exists("{$text}|{$ofSample}", $known)) {
            return $known["{$text}|{$ofSample}"];
        }
        $known = count($known) > 500 ? [] : $known;

        return $known["{$text}|{$ofSample}"] = self::readDepthCm($text, $ofSample);
    }

    private static function readDepthCm(string $text, string $ofSample): ?float
    {
        foreach ([$text, $ofSample] as $layer) {
            try {
                $parsed = DepthLayer::parse(str_replace([' ', '"'], ['', 'in'], mb_strtolower($layer)));

                return $parsed->bottomCm - $parsed->topCm;
            } catch (CoreError) {
                continue;
            }
        }

        return null;
    }
}
