<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\UnitText;
use HonestCore\Error\BadTable;
use HonestCore\Quantity\DepthLayer;

/**
 * What a lab's file says: its columns as they are understood or as a person said, and its results one by one.
 *
 * Domain: a row a sample with a column for each result, or a row a result. Nothing is dropped without a reason;
 * nothing that
 *   could be two things is taken for one of them without a question.
 * Source: the contract of `report:read`; common practice of labs.
 */
final readonly class ReportReading
{
    private const TOTAL = '/^(grand )?(total|totals|mean|means|average|averages|avg|sum|min|max|minimum|maximum|'.
        'median|std|stdev|st\.? ?dev|sd|count|range|summe|mittel|mittelwert|durchschnitt|moyenne|somme|promedio|'.
            'media|suma|lod|loq|detection limit|rl|mdl|reporting limit|optimum|target|sufficiency '.
                'range)\b[\s.:]*(\(?\w*\)?)?$/iu';

    /** Rows whose cells tell what a column without a unit or a known name holds. */
    private const LOOKED_AT = 60;

    /** @param list<ReportColumn> $columns */
    private function __construct(public ReportTable $table, public NumberStyle $style, public array $columns) {}

    /**
     * @param list<ReportColumn>|null $said the columns as a person said or kept them, one for each of the file
     *
     * @throws BadTable
     */
    public static function of(ReportTable $table, ?array $said = null, ?NumberStyle $style = null): self
    {
        if ($said !== null && count($said) !== count($table->columns)) {
            throw new BadTable('mapping_of_another_file', [
                'named' => count($said),
                'columns' => count($table->columns),
            ]);
        }
        $columns = $said ?? self::understood($table);

        return new self($table, $style ?? NumberStyle::of(self::numbers($table, $columns)), $columns);
    }

    /** Is it a row a result, rather than a row a sample? */
    public function isLong(): bool
    {
        return $this->at(ColumnRole::Analyte) !== null && $this->at(ColumnRole::Value) !== null;
    }

    /** @return list<array{row: int, reason: string}> columns and rows that hold no results */
    public function leftOut(): array
    {
        $left = [];
        foreach ($this->columns as $i => $column) {
            if ($column->why !== '' && ! $column->confirmed) {
                $left[] = [
                    'row' => $this->table->isTurned() ? $this->table->lineOf(0, $i) : $this->table->headerRow,
                    'reason' => $column->why,
                ];
            }
        }
        foreach ($this->table->rows as $row => $cells) {
            $why = $this->whyNoSample($cells);
            if ($why !== null) {
                $left[] = ['row' => $this->table->isTurned() ? $this->table->headerRow : $row, 'reason' => $why];
            }
        }

        return $left;
    }

    /** @return list<Doubt> about the file and its columns; those about single cells stand with their lines */
    public function doubts(): array
    {
        $doubts = [];
        if ($this->style->isMixed()) {
            $doubts[] = new Doubt(
                'number',
                'Both decimal commas and decimal points stand in this file; each number was read by its own mark.',
                false,
            );
        }
        if (
            $this->at(ColumnRole::Sample) === null &&
            $this->at(ColumnRole::LabNumber) === null &&
            $this->at(ColumnRole::Bag) === null
        ) {
            $doubts[] = new Doubt('sample', 'No column says which sample it is; say which one does.', true);
        }
        foreach ($this->columns as $column) {
            array_push($doubts, ...$column->doubts());
        }

        return $doubts;
    }

    /** @return \Generator<int, ReportLine> every cell of a result, those that say nothing too */
    public function lines(): \Generator
    {
        $at = [];
        foreach (ColumnRole::cases() as $role) {
            $at[$role->value] = $this->at($role);
        }
        $long = $this->isLong() ? new LongRows($this->columns, $this->table->contexts[(int) $at['value']]) : null;
        $layers = new RowLayers($this->columns, $at);
        foreach ($this->table->rows as $row => $cells) {
            if ($this->whyNoSample($cells) !== null) {
                continue;
            }
            $cell = static fn (string $role): string => isset($at[$role]) ? $cells[$at[$role]] : '';
            $sample = $cell('sample') !== '' ? $cell('sample') : $cell('bag');
            [$layer, $depth, $doubt] = $layers->of($cells);
            foreach ($long !== null ? $long->of($cells) : $this->wide($cells) as [$i, $column, $text]) {
                yield $this->line(
                    $this->table->lineOf($row, $i),
                    $sample,
                    $cell('lab_number'),
                    $depth,
                    $column,
                    $text,
                    $layer,
                    $doubt,
                );
            }
        }
    }

    /**
     * @param list<string> $cells
     * @return list<array{int, ReportColumn, string}>
     */
    private function wide(array $cells): array
    {
        $results = [];
        foreach ($this->columns as $i => $column) {
            if (
                $column->role === ColumnRole::Result ||
                ($column->role === ColumnRole::Rating && $column->analyte !== '')
            ) {
                $results[] = [$i, $column, $cells[$i]];
            }
        }

        return $results;
    }

    private function line(
        int $row,
        string $sample,
        string $labNumber,
        string $depth,
        ReportColumn $column,
        string $text,
        ?DepthLayer $layer,
        ?Doubt $doubt,
    ): ReportLine {
        $value = ReportedValue::read($text, $this->style);
        $doubts = $this->cellDoubts($row, $column, $value, $text);
        if ($value->unit !== '' && $column->isResult()) {
            $read = UnitText::read(trim($value->unit, ' ()'));
            if ($read === null || ($read->unit->kind === 'ph' && $column->known()?->isUnitless() !== true)) {
                $doubts[] = new Doubt(
                    'unit',
                    "row {$row}, \"{$column->name}\": the unit \"{$value->unit}\" of \"{$text}\" is not understood.",
                    true,
                );
            } elseif ($read->unit->code !== $column->unit || $column->unread !== '') {
                $column = $column->with([
                    'unit' => $read->unit->code,
                    'unread' => '',
                    'plainMoles' => $read->plainMoles,
                ]);
            }
        }
        if (
            $doubt !== null &&
            $column->unit !== '' &&
            $column->isResult() &&
            str_contains('lb/acre lb/1000ft2 lb/100ft2 kg/ha g/m2', $column->unit)
        ) {
            $doubts[] = new Doubt('depth', "row {$row}: {$doubt->words}", true);
        }

        return new ReportLine($row, $sample, $labNumber, $depth, $column, $text, $value, $layer, $doubts);
    }

    /** @return list<Doubt> */
    private function cellDoubts(int $row, ReportColumn $column, ReportedValue $value, string $text): array
    {
        if ($column->role === ColumnRole::Rating) {
            return [];
        }
        $shown = mb_substr($text, 0, 60);
        $place = "row {$row}, \"{$column->name}\": ";
        $words = match (true) {
            $value->kind === ReportedValue::EITHER => str_starts_with($text, '#')
                ? "\"{$shown}\" is a formula that failed."
                : "\"{$shown}\" may mean not determined or not detected.",
            $value->kind === ReportedValue::UNSETTLED => "\"{$shown}\" can be read in two ways, with a decimal ".
                'comma or with a mark of thousands, and no other cell of the file settles it.',
            $value->kind === ReportedValue::UNREADABLE => "\"{$shown}\" is no result; accepted are numbers, ".
                '"<0.5", ranges, "trace", ratings in words, and nothing.',
            $value->marked => "\"{$shown}\" carries a mark of the lab's; see what it says.",
            default => null,
        };

        return $words === null
            ? []
            : [
                new Doubt(
                    'cell',
                    $place.$words,
                    $value->kind === ReportedValue::UNSETTLED || $value->kind === ReportedValue::UNREADABLE,
                ),
            ];
    }

    /**
     * Why a row is that of no sample; null for one that is.
     *
     * @param list<string> $cells
     */
    private function whyNoSample(array $cells): ?string
    {
        $code = '';
        foreach ([ColumnRole::Sample, ColumnRole::Bag, ColumnRole::LabNumber] as $role) {
            $at = $this->at($role);
            $code = $code === '' && $at !== null ? $cells[$at] : $code;
        }
        $filled = array_values(array_filter($cells, static fn (string $cell): bool => $cell !== ''));
        $first = $filled[0] ?? '';
        $isAlone = count($filled) === 1 && count($cells) > 2;

        return match (true) {
            $filled === [] => 'the row is empty.',
            ReportTable::isNote($first) && (count($filled) <= 2 || $code === '') => '"'.
                mb_substr($first, 0, 60).
                '" is a note.',
            preg_match(self::TOTAL, $code !== '' ? $code : $first) === 1 => '"'.
                mb_substr($code !== '' ? $code : $first, 0, 60).
                '" is no sample, but a figure over several.',
            $isAlone && preg_match('/\S\s+\S+\s+\S/u', $first) === 1 && mb_strlen($first) > 15 => '"'.
                mb_substr($first, 0, 60).
                '" is a note.',
            $code === '' => 'the row does not say which sample it is.',
            $cells === $this->table->names => 'the header again.',
            default => null,
        };
    }

    private function at(ColumnRole $role): ?int
    {
        foreach ($this->columns as $i => $column) {
            if ($column->role === $role) {
                return $i;
            }
        }

        return null;
    }

    /** @return list<ReportColumn> */
    private static function understood(ReportTable $table): array
    {
        $columns = [];
        foreach ($table->names as $i => $name) {
            $column =
                $name === '' ? new ReportColumn($table->columns[$i], ColumnRole::Ignore) : ColumnName::read($name);
            foreach ($table->contexts[$i] as $context) {
                $column = $context->fill($column);
            }
            $columns[] = self::unitOfCells($table, $i, $column);
        }

        return self::texture(
            $table,
            self::unknown($table, self::ratings(self::sampled($table, self::oneOfEach($columns)))),
        );
    }

    /** A column whose cells all name one unit has it, as where 3.1 % stands in each. */
    private static function unitOfCells(ReportTable $table, int $i, ReportColumn $column): ReportColumn
    {
        if (! $column->isResult() || $column->unit !== '' || $column->unread !== '') {
            return $column;
        }
        $units = [];
        foreach (array_slice($table->rows, 0, self::LOOKED_AT) as $cells) {
            if (preg_match('/^[<>]?\s*\d[\d.,]*\s*(\D.*)?$/u', $cells[$i], $m) === 1) {
                $units[] = UnitText::read($m[1] ?? '')->unit->code ?? '';
            }
        }

        return count(array_unique($units)) === 1 && ! in_array($units[0], ['', 'pH'], true)
            ? $column->with(['unit' => $units[0]])
            : $column;
    }

    /**
     * There is one column of each role; of several that could name the sample the one that says so most plainly.
     *
     * @param list<ReportColumn> $columns
     * @return list<ReportColumn>
     */
    private static function oneOfEach(array $columns): array
    {
        $plain = static fn (ReportColumn $column): int => preg_match(
            '/sample|probe|muestra|[ée]chantillon/iu',
            $column->name,
        ) === 1
            ? (preg_match('/\b(id|code|no|nr|number|ref\w*)\b|#/i', $column->name) === 1
                ? 3
                : 2)
            : (preg_match('/\b(id|code|ref\w*)\b/i', $column->name) === 1
                ? 1
                : 0);
        $best = [];
        foreach ($columns as $i => $column) {
            $role = $column->role;
            if (! $role->mayRepeat()) {
                $score = $role === ColumnRole::Sample ? $plain($column) : 0;
                $best[$role->value] =
                    ! isset($best[$role->value]) || $score > $best[$role->value][0] ? [$score, $i] : $best[$role->value];
            }
        }
        foreach ($columns as $i => $column) {
            if (! $column->role->mayRepeat() && ($best[$column->role->value][1] ?? $i) !== $i) {
                $columns[$i] = $column->with(['role' => ColumnRole::Ignore]);
            }
        }

        return $columns;
    }

    /**
     * A file that names no column of samples: the first of words or codes is taken for it, and asked about.
     *
     * @param list<ReportColumn> $columns
     * @return list<ReportColumn>
     */
    private static function sampled(ReportTable $table, array $columns): array
    {
        foreach ($columns as $column) {
            if (in_array($column->role, [ColumnRole::Sample, ColumnRole::LabNumber, ColumnRole::Bag], true)) {
                return $columns;
            }
        }
        foreach ($columns as $i => $column) {
            $cells = array_filter(
                array_column(array_slice($table->rows, 0, self::LOOKED_AT), $i),
                static fn (string $cell): bool => $cell !== '',
            );
            if (
                $column->role === ColumnRole::Ignore &&
                $column->why === '' &&
                2 * count(array_unique($cells)) > count($cells) &&
                $cells !== []
            ) {
                $columns[$i] = $column->with([
                    'role' => ColumnRole::Sample,
                    'guessedRole' => 'no column is named as the sample code; this one was taken for it. Is it?',
                ]);

                return $columns;
            }
        }

        return $columns;
    }

    /**
     * A column called no more than "Rating" rates the result before it.
     *
     * @param list<ReportColumn> $columns
     * @return list<ReportColumn>
     */
    private static function ratings(array $columns): array
    {
        $before = '';
        foreach ($columns as $i => $column) {
            if ($column->role === ColumnRole::Rating && $column->analyte === '' && $before !== '') {
                $columns[$i] = $column->with(['analyte' => $before]);
            }
            $before = $column->isResult() ? $column->analyte : $before;
        }

        return $columns;
    }

    /**
     * A column of numbers whose name says nothing that is known is left out by its name.
     *
     * @param list<ReportColumn> $columns
     * @return list<ReportColumn>
     */
    private static function unknown(ReportTable $table, array $columns): array
    {
        foreach ($columns as $i => $column) {
            if ($column->role !== ColumnRole::Ignore || $column->why !== '' || $table->names[$i] === '') {
                continue;
            }
            $cells = array_filter(
                array_column(array_slice($table->rows, 0, self::LOOKED_AT), $i),
                static fn (string $cell): bool => $cell !== '',
            );
            $numbers = array_filter(
                $cells,
                static fn (string $cell): bool => preg_match('/^[<>]?\s*[\d.,]+\s*%?$/', $cell) === 1,
            );
            if ($cells !== [] && 2 * count($numbers) > count($cells)) {
                $columns[$i] = $column->with(['why' => ColumnName::notKnown($column->name)]);
            }
        }

        return $columns;
    }

    /**
     * Sand, silt and clay without a unit are percent where they add up to 100, and grams a kilogram where they add up
     * to 1000.
     *
     * @param list<ReportColumn> $columns
     * @return list<ReportColumn>
     */
    private static function texture(ReportTable $table, array $columns): array
    {
        $at = [];
        foreach (array_filter($columns, self::isBareTexture(...)) as $i => $column) {
            $at[$column->analyte] = $i;
        }
        if (count($at) !== 3) {
            return $columns;
        }
        $sums = [];
        foreach (array_slice($table->rows, 0, self::LOOKED_AT) as $cells) {
            $shares = array_map(
                static fn (int $i): ?float => NumberStyle::of([])->parse(str_replace(',', '.', $cells[$i])),
                $at,
            );
            $sums = in_array(null, $shares, true) ? $sums : [...$sums, array_sum($shares)];
        }
        foreach (['percent' => 100, 'g/kg' => 1000] as $unit => $whole) {
            if (
                $sums !== [] &&
                array_filter($sums, static fn (float|int $sum): bool => abs($sum / $whole - 1) > 0.021) === []
            ) {
                foreach ($at as $i) {
                    $columns = array_values(array_replace($columns, [$i => $columns[$i]->with(['unit' => $unit])]));
                }
            }
        }

        return $columns;
    }

    private static function isBareTexture(ReportColumn $column): bool
    {
        return $column->isResult() &&
            $column->unit === '' &&
            $column->unread === '' &&
            Analytes::get($column->analyte)->group === 'texture';
    }

    /**
     * The cells that may tell how this file writes its numbers.
     *
     * @param list<ReportColumn> $columns
     * @return \Generator<int, string>
     */
    private static function numbers(ReportTable $table, array $columns): \Generator
    {
        $looked = array_keys(
            array_filter(
                $columns,
                static fn (ReportColumn $column): bool => in_array(
                    $column->role,
                    [ColumnRole::Result, ColumnRole::Value, ColumnRole::Ignore],
                    true,
                ),
            ),
        );
        foreach ($table->rows as $cells) {
            foreach ($looked as $i) {
                yield $cells[$i];
            }
        }
    }
}
