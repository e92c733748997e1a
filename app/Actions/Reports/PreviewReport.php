<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\Lab;
use App\Models\LabReport;
use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Error\CoreError;
use HonestCore\Reports\ColumnChoices;
use HonestCore\Reports\ColumnRole;
use HonestCore\Reports\Doubt;
use HonestCore\Reports\ReportedValue;
use HonestCore\Reports\ReportLine;
use HonestCore\Reports\ReportMapping;
use HonestCore\Reports\ReportReading;

/**
 * What a file would become: its columns under a mapping with an example each, what is asked, and its first results as
 * they would be stored.
 */
final class PreviewReport
{
    private const ROWS = 8;

    private const RESULTS = 60;

    /** Lines that are looked at for doubts, so that a long file is shown at once; all of them are when it is taken. */
    private const LOOKED_AT = 5000;

    /** @return array<string, mixed> */
    public function __invoke(
        ReportFile $file,
        Lab $lab,
        ?ReportMapping $mapping,
        ?bool $decimalComma,
        string $sha256,
    ): array {
        [$own, $remembered] = $file->mapping($lab);
        $used = $mapping ?? $own;
        $reading = $file->reading($used, $decimalComma);
        $known = LabReport::query()->where('sha256', $sha256)->first();
        [$results, $examples, $doubts, $looked] = $this->lines($file, $lab, $used, $reading);

        return [
            'sha256' => $sha256,
            'charset' => $file->text->charset,
            'delimiter' => $file->text->delimiter,
            'header_row' => $file->table->headerRow,
            'decimal_comma' => $reading->style->mark() === ',',
            'interchange' => $file->text->isInterchange,
            'turned' => $file->table->isTurned(),
            'rows' => count($file->table->rows),
            'names' => $file->table->columns,
            'mapping' => $used->toArray(),
            'remembered' => $mapping === null && $remembered,
            'taken_before' => $known === null ? null : ['id' => $known->id, 'file_name' => $known->file_name],
            'understood' => $this->understood($reading, $examples),
            'doubts' => $doubts,
            'all_looked_at' => $looked,
            'left_out' => array_map(
                static fn (array $one): array => ['row' => $one['row'], 'why' => $one['reason']],
                array_slice($reading->leftOut(), 0, self::RESULTS),
            ),
            'cells' => array_map(
                static fn (array $cells, int $row): array => ['row' => $row, 'cells' => $cells],
                array_slice($file->table->rows, 0, self::ROWS),
                array_slice(array_keys($file->table->rows), 0, self::ROWS),
            ),
            'results' => $results,
            'choices' => ColumnChoices::all()->toArray(),
        ];
    }

    /**
     * What each column becomes, from which words, and one of its cells before and after.
     *
     * @param array<string, array{cell: string, value: float|null, unit: string}> $examples by column name
     * @return list<array<string, mixed>>
     */
    private function understood(ReportReading $reading, array $examples): array
    {
        return array_map(
            static fn ($column): array => [
                'doubts' => array_map(self::doubt(...), $column->doubts()),
                'why' => $column->confirmed ? '' : $column->why,
                'becomes' => $column->analyte === '' || $column->role === ColumnRole::Ignore
                        ? ''
                        : Analytes::name($column->analyte),
                'example' => $examples[$column->name] ?? null,
            ],
            $reading->columns,
        );
    }

    /** @return array{kind: string, words: string, hides: bool} */
    private static function doubt(Doubt $doubt): array
    {
        return ['kind' => $doubt->kind, 'words' => $doubt->words, 'hides' => $doubt->hides];
    }

    /**
     * @return array{list<array<string, mixed>>, array<string, array{cell: string, value: float|null,
     *     unit: string}>, list<array{kind: string, words: string, hides: bool}>, bool}
     */
    private function lines(ReportFile $file, Lab $lab, ReportMapping $mapping, ReportReading $reading): array
    {
        [$lines, $doubts, $count] = [[], [], 0];
        foreach ($reading->doubts() as $doubt) {
            $doubts[$doubt->words] = self::doubt($doubt);
        }
        foreach ($reading->lines() as $line) {
            if (++$count > self::LOOKED_AT) {
                break;
            }
            foreach ([...$line->doubts, ...$reading->isLong() ? $line->column->doubts() : []] as $doubt) {
                $doubts[$doubt->words] = self::doubt($doubt);
            }
            $isShown = $line->value->kind !== ReportedValue::ABSENT && $line->column->isResult();
            if ($isShown && count($lines) < self::RESULTS) {
                $lines[] = $line;
            }
        }
        $match = new MatchPortions($lab);
        $match->learn(self::codesOf($lines));
        [$results, $examples] = [[], []];
        foreach ($lines as $line) {
            $results[] = $result = $this->result($line, $match, $mapping);
            $name = $line->column->name;
            $examples[$name] = self::betterExample($examples[$name] ?? null, $line, $result);
        }

        return [$results, $examples, array_slice(array_values($doubts), 0, self::RESULTS), $count <= self::LOOKED_AT];
    }

    /**
     * A cell that says something goes before one that does not.
     *
     * @param array{cell: string, value: float|null, unit: string}|null $before
     * @param array{value: float|null, unit: string, ...} $result
     * @return array{cell: string, value: float|null, unit: string}
     */
    private static function betterExample(?array $before, ReportLine $line, array $result): array
    {
        return $before !== null && ($before['value'] !== null || $result['value'] === null)
            ? $before
            : ['cell' => mb_substr($line->cell, 0, 60), 'value' => $result['value'], 'unit' => $result['unit']];
    }

    /**
     * @param list<ReportLine> $lines
     * @return list<string> what the lines say of their samples, to be looked for at once
     */
    private static function codesOf(array $lines): array
    {
        $said = [];
        foreach ($lines as $line) {
            array_push($said, $line->sample, $line->labNumber);
        }
        $fits = static fn (string $text): bool => $text !== '' && strlen($text) <= 80;

        return array_values(array_filter(array_unique($said), $fits));
    }

    /**
     * @return array{row: int, sample: string, portion: string|null, near: list<string>, series: string,
     * as_reported: string, unit_reported: string, said: string, value: float|null, unit: string, problem: string|null}
     */
    private function result(ReportLine $line, MatchPortions $match, ReportMapping $mapping): array
    {
        $portion = $match->find($line->sample, $line->labNumber);
        $text = $line->sample !== '' ? $line->sample : $line->labNumber;
        $problem = LineProblem::of($line);
        $value = null;
        if ($problem === null) {
            try {
                $value = $line->home($line->value->number, $portion?->layer(), $mapping->bulkDensity);
                $problem = $line->impossible($value);
            } catch (CoreError $error) {
                $problem = $error->forPeople();
            }
        }

        return [
            'row' => $line->row,
            'sample' => mb_substr($text, 0, 80),
            'portion' => $portion?->code,
            'near' => $portion === null && $text !== '' ? $match->near($text) : [],
            'series' => implode(
                ', ',
                array_filter([
                    Analytes::name($line->column->analyte),
                    $line->column->extractant,
                    $line->column->instrument,
                ]),
            ),
            'as_reported' => mb_substr($line->cell, 0, 60),
            'unit_reported' => $line->column->unit,
            'said' => $line->value->kind,
            'value' => $value,
            'unit' => SoilUnit::home($line->column->analyte)?->symbol() ?? '',
            'problem' => $problem,
        ];
    }
}
