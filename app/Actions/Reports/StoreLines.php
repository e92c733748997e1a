<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\ManyRows;
use App\Database\Piece;
use App\Database\Values;
use App\Exceptions\RefusedRows;
use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\Reading;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Reports\ReportedValue;
use HonestCore\Reports\ReportLine;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * The lines of a report, looked at whole before one is stored, and then stored piece by piece.
 *
 * @phpstan-import-type Taken from SortLines
 */
final class StoreLines
{
    /** Results of a piece: others can write between two. */
    private const PIECE = 1000;

    private const MOST_REFUSED = 200;

    /**
     * @param \Closure(OpenDoubts): SortLines $sorting a new sorting of the same file
     * @param \Closure(SortLines): iterable<array{ReportLine, Taken|null}> $lines of the file, sorted one by one
     */
    public function __construct(private readonly \Closure $sorting, private readonly \Closure $lines) {}

    /**
     * Whether all can be taken; nothing is written.
     *
     * @return bool whether there is a line at all
     *
     * @throws RefusedRows
     */
    public function check(?LabReport $old): bool
    {
        $sorted = ($this->sorting)(new OpenDoubts());
        [$there, $batch, $any] = [[], [], false];
        foreach (($this->lines)($sorted) as [, $taken]) {
            if ($taken !== null) {
                $batch[] = $taken;
                $any = true;
            }
            if (count($batch) === self::PIECE) {
                array_push($there, ...$this->alreadyThere($batch, $old));
                $batch = [];
            }
            if (count($sorted->refused()) + count($there) >= self::MOST_REFUSED) {
                break;
            }
        }
        $this->refuse([...$sorted->refused(), ...$there, ...$this->alreadyThere($batch, $old)]);

        return $any;
    }

    /**
     * @param \Closure(int): void $tell given the row that has been come to
     * @return list<array{row: int, why: string}> what was left out
     *
     * @throws RefusedRows where something came in between
     */
    public function store(LabReport $report, ?LabReport $old, User $author, OpenDoubts $doubts, \Closure $tell): array
    {
        $sorted = ($this->sorting)($doubts);
        $batch = [];
        foreach (($this->lines)($sorted) as [$line, $taken]) {
            if ($taken !== null) {
                $batch[] = $taken;
            }
            if (count($batch) === self::PIECE) {
                $tell($line->row);
                $this->refuse(Piece::of(fn (): array => $this->keep($batch, $report, $old, $author)));
                $batch = [];
            }
        }
        if ($batch !== []) {
            $this->refuse(Piece::of(fn (): array => $this->keep($batch, $report, $old, $author)));
        }

        return $sorted->leftOut();
    }

    /** @param list<array{row: int, field: string, message: string}> $refused */
    private function refuse(array $refused): void
    {
        if ($refused === []) {
            return;
        }
        usort($refused, static fn (array $a, array $b): int => $a['row'] <=> $b['row']);
        $many = match (true) {
            count($refused) >= self::MOST_REFUSED => 'many results',
            count($refused) === 1 => '1 result',
            default => count($refused).' results',
        };

        throw new RefusedRows($refused, "Nothing of the report was stored: {$many} cannot be taken.");
    }

    /**
     * @param list<Taken> $batch
     * @return list<array{row: int, field: string, message: string}>
     */
    private function alreadyThere(array $batch, ?LabReport $old): array
    {
        [$standing] = $batch === [] ? [[]] : $this->standing($batch, $old);
        $there = [];
        foreach ($batch as [$line, $portion, $method]) {
            if (isset($standing["{$portion->id}/{$method->id}"])) {
                $there[] = self::there($line, $portion, $method);
            }
        }

        return $there;
    }

    /** @return array{row: int, field: string, message: string} */
    private static function there(ReportLine $line, FoundPortion $portion, TestMethod $method): array
    {
        return [
            'row' => $line->row,
            'field' => $line->column->name,
            'message' => "row {$line->row}, {$line->column->name}: {$portion->code} has a result by ".
                "{$method->name} already. Take the file as a corrected report, or leave the row out.",
        ];
    }

    /**
     * @param list<Taken> $batch
     * @return list<array{row: int, field: string, message: string}> results that were there already
     */
    private function keep(array $batch, LabReport $report, ?LabReport $old, User $author): array
    {
        [$standing, $replaced] = $this->standing($batch, $old);
        [$rows, $readings, $refused, $gone] = [[], [], [], []];
        $now = Carbon::now()->format('Y-m-d H:i:s');
        $readOn = $report->read_on?->format('Y-m-d 00:00:00');
        $methods = [];
        $common = [
            'team_id' => $report->team_id,
            'report_id' => $report->id,
            'created_at' => $now,
            'updated_at' => $now,
        ];
        foreach ($batch as [$line, $portion, $method, $value]) {
            [$id, $name] = $methods[spl_object_id($method)] ??= [$method->id, mb_substr($method->name, 0, 80)];
            $key = "{$portion->id}/{$id}";
            if (isset($standing[$key])) {
                $refused[] = self::there($line, $portion, $method);

                continue;
            }
            $gone[] = $replaced[$key]['result'] ?? 0;
            $counts =
                $line->value->kind === ReportedValue::NUMBER &&
                in_array($portion->kind, ['lab', 'lab_b'], true) &&
                $portion->sampleId !== null;
            $rows[] = $common + [
                'portion_id' => $portion->id,
                'method_id' => $id,
                'row' => $line->row,
                'kind' => $line->value->kind,
                'value' => $value[0] ?? null,
                'upper' => $value[1] ?? null,
                'as_reported' => mb_substr($line->cell, 0, 60),
                'unit' => mb_substr($line->column->unit, 0, 30),
                'form' => $line->column->form,
                'lab_number' => mb_substr($line->labNumber, 0, 80),
            ];
            if ($counts) {
                $readings[] = $common + [
                    'sample_id' => $portion->sampleId,
                    'portion_id' => $portion->id,
                    'method_id' => $id,
                    'created_by' => $author->id,
                    'corrects_id' => $replaced[$key]['reading'] ?? null,
                    'value' => $value[0] ?? null,
                    'band' => null,
                    'as_reported' => mb_substr($line->cell, 0, 60),
                    'read_on' => $readOn,
                    'reader' => $name,
                    'flags' => '[]',
                    'note' => '',
                    'lot' => '',
                ];
            }
        }
        $last = Values::whole(DB::table('lab_results')->max('id'));
        ManyRows::insert('lab_results', $rows);
        ManyRows::insert('readings', $readings);
        $gone = array_values(array_filter($gone));
        ManyRows::insert(
            'result_marks',
            array_map(
                static fn (int $result): array => [
                    'team_id' => $report->team_id,
                    'result_id' => $result,
                    'superseded_by' => $report->id,
                    'created_by' => $author->id,
                    'created_at' => $now,
                    'updated_at' => $now,
                ],
                $gone,
            ),
        );
        $this->join($report, $last);

        return $refused;
    }

    /**
     * Results that are there already, and those of the report that is replaced.
     *
     * @param list<Taken> $batch
     * @return array{array<string, true>, array<string, array{result?: int, reading?: int}>} by portion and method
     */
    private function standing(array $batch, ?LabReport $old): array
    {
        $portions = array_values(array_unique(array_map(static fn (array $one): int => $one[1]->id, $batch)));
        $methods = array_values(array_unique(array_map(static fn (array $one): int => $one[2]->id ?? 0, $batch)));
        [$standing, $replaced] = [[], []];
        foreach (
            LabResult::query()
                ->whereIn('portion_id', $portions)
                ->whereIn('method_id', $methods)
                ->whereNull('superseded_by')
                ->get(['id', 'portion_id', 'method_id', 'report_id', 'reading_id']) as $result
        ) {
            if ($old !== null && $result->report_id === $old->id) {
                $replaced["{$result->portion_id}/{$result->method_id}"] = array_filter([
                    'result' => $result->id,
                    'reading' => $result->reading_id,
                ]);
            } else {
                $standing["{$result->portion_id}/{$result->method_id}"] = true;
            }
        }
        $stands = Reading::standingFor(array_values(array_column($replaced, 'reading')));
        foreach ($replaced as $key => $one) {
            if (isset($one['reading'])) {
                $replaced[$key]['reading'] = $stands[$one['reading']];
            }
        }
        foreach (
            Reading::query()
                ->whereIn('portion_id', $portions)
                ->whereIn('method_id', $methods)
                ->whereDoesntHave('correction')
                ->get(['id', 'portion_id', 'method_id', 'report_id']) as $reading
        ) {
            $key = "{$reading->portion_id}/{$reading->method_id}";
            if ($old !== null && $reading->report_id === $old->id) {
                $replaced[$key]['reading'] = $reading->id;
            } elseif (! isset($replaced[$key])) {
                $standing[$key] = true;
            }
        }

        return [$standing, $replaced];
    }

    /** Results of a piece name the readings that were made of them. */
    private function join(LabReport $report, int $after): void
    {
        DB::update(
            'UPDATE lab_results SET reading_id = (SELECT r.id FROM readings r WHERE r.report_id = '.
                'lab_results.report_id AND r.portion_id = lab_results.portion_id AND r.method_id = '.
                'lab_results.method_id) WHERE id > ? AND +report_id = ? AND kind = ? AND '.
                "(SELECT own.kind FROM portions own WHERE own.id = lab_results.portion_id) IN ('lab', 'lab_b')",
            [$after, $report->id, ReportedValue::NUMBER],
        );
    }
}
