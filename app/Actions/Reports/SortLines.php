<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\TestMethod;
use HonestCore\Error\CoreError;
use HonestCore\Reports\ColumnRole;
use HonestCore\Reports\ReportedValue;
use HonestCore\Reports\ReportLine;
use HonestCore\Reports\ReportMapping;
use HonestCore\Reports\ReportReading;

/**
 * Sorts the lines of a report: what is taken, what is left out and why, and what is refused.
 *
 * @phpstan-type Taken array{ReportLine, FoundPortion, TestMethod, array{float|null, float|null}|null}
 */
final class SortLines
{
    /** A row whose sample reads like this is the lab's own and is left out without asking. */
    private const OWN = '/\b(check|blank|standard|control|qc|reference|duplicate|average|mean)\b/i';

    /** @var array<int|string, array{row: int, why: string}> */
    private array $leftOut = [];

    /** @var list<array{row: int, field: string, message: string}> */
    private array $refused = [];

    /** @var array<string, int> row by portion and method */
    private array $seen = [];

    /** @param array<int, mixed> $skip rows that a person leaves out */
    public function __construct(
        private readonly SeriesMethods $methods,
        private readonly MatchPortions $match,
        private readonly ReportReading $reading,
        private readonly ReportMapping $mapping,
        private readonly OpenDoubts $doubts,
        private readonly array $skip,
        private readonly string $person,
    ) {
        foreach ($reading->leftOut() as $left) {
            $this->leftOut[$left['row'].$left['reason']] = ['row' => $left['row'], 'why' => $left['reason']];
        }
    }

    /** @return list<array{row: int, why: string}> */
    public function leftOut(): array
    {
        return array_values($this->leftOut);
    }

    /** @return list<array{row: int, field: string, message: string}> */
    public function refused(): array
    {
        return $this->refused;
    }

    /** @return Taken|null the line with what it belongs to, where it can be taken */
    public function take(ReportLine $line): ?array
    {
        $reads = $line->column->isResult() || $line->column->role === ColumnRole::Ignore;
        if (! $reads || $line->value->kind === ReportedValue::ABSENT) {
            return null;
        }
        $skipped = isset($this->skip[$line->row]);
        $portion = $skipped ? null : $this->match->find($line->sample, $line->labNumber);
        if ($skipped || ($portion === null && preg_match(self::OWN, $line->sample) === 1)) {
            $this->leftOut[$line->row] = [
                'row' => $line->row,
                'why' => $skipped ? "left out by {$this->person}" : "\"{$line->sample}\" is the lab's own",
            ];

            return null;
        }
        $problem = $portion === null ? $this->unknown($line) : LineProblem::of($line);

        return $portion === null || $problem !== null
            ? $this->refuse($line, (string) $problem)
            : $this->measured($line, $portion);
    }

    /** @return Taken|null */
    private function measured(ReportLine $line, FoundPortion $portion): ?array
    {
        $column = $line->column;
        $method = $this->methods->of($column->analyte, $column->extractant, $column->instrument);
        $this->doubts->note($line, $method, $this->reading->isLong());
        if ($line->value->isMissing()) {
            return null;
        }
        $key = $portion->id.'/'.spl_object_id($method);
        if (isset($this->seen[$key])) {
            return $this->refuse($line, "{$portion->code} has this result in row {$this->seen[$key]} already.");
        }
        $this->seen[$key] = $line->row;
        [$value, $problem] = $this->home($line, $portion);

        return $problem === null ? [$line, $portion, $method, $value] : $this->refuse($line, $problem);
    }

    private function refuse(ReportLine $line, string $problem): null
    {
        $this->refused[] = [
            'row' => $line->row,
            'field' => $line->column->name,
            'message' => "row {$line->row}, {$line->column->name}: {$problem}",
        ];

        return null;
    }

    private function unknown(ReportLine $line): string
    {
        $text = $line->sample !== '' ? $line->sample : $line->labNumber;
        if ($text === '') {
            return 'the row does not say which sample it is.';
        }
        $near = $this->match->near($text);

        return '"'.
            mb_substr($text, 0, 60).
            '" is no portion for a lab of this team'.
            ($near === [] ? '.' : '; was '.implode(' or ', $near).' meant?').
            ' Mend the code, or leave the row out.';
    }

    /**
     * @return array{array{float|null, float|null}|null, string|null} value and upper end in the home unit, or a problem
     */
    private function home(ReportLine $line, FoundPortion $portion): array
    {
        try {
            $home = [
                $line->home($line->value->number, $portion->layer(), $this->mapping->bulkDensity),
                $line->home($line->value->upper, $portion->layer(), $this->mapping->bulkDensity),
            ];

            return [$home, $line->impossible($home[0]) ?? $line->impossible($home[1])];
        } catch (CoreError $error) {
            return [null, $error->forPeople()];
        }
    }
}
