<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\AllOrNothing;
use App\Database\ManyRows;
use App\Exceptions\Conflict;
use App\Exceptions\RefusedRows;
use App\Models\Lab;
use App\Models\LabMapping;
use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\Reading;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Error\BadTable;
use HonestCore\Reports\ColumnRole;
use HonestCore\Reports\ReportedValue;
use HonestCore\Reports\ReportLine;
use HonestCore\Reports\ReportMapping;
use HonestCore\Reports\ReportReading;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Takes a lab's report whole or not at all: every result as it was reported and in the home unit of its analyte. The
 * same file again changes nothing; a corrected report takes the place of the one it names, whose results stay
 * visible.
 *
 * @phpstan-type Taking array{file_name: string, sha256: string, read_on: string, decimal_comma: bool|null,
 *     skip: list<int>, supersedes_id: int|null}
 */
final class TakeMapped
{
    /** Rows that are stored at once: SQLite takes up to 32,766 values in a statement. */
    private const CHUNK = 1000;

    private const MOST_REFUSED = 200;

    public function __construct(private readonly AskQuestions $ask, private readonly ReportProgress $progress) {}

    /**
     * @param Taking $taking
     *
     * @throws RefusedRows
     */
    public function __invoke(ReportFile $file, Lab $lab, ReportMapping $mapping, array $taking, User $author): LabReport
    {
        $mapping->check();
        $reading = $file->reading($mapping, $taking['decimal_comma']);

        return AllOrNothing::of(function () use ($file, $reading, $lab, $mapping, $taking, $author): LabReport {
            $known = LabReport::query()->where('sha256', $taking['sha256'])->first();
            if ($known !== null) {
                return $known;
            }
            $rows = count($file->table->rows);
            $old = $this->superseded($taking['supersedes_id'], $lab);
            $report = LabReport::query()->create([
                'created_by' => $author->id,
                'file_name' => $taking['file_name'],
                'sha256' => $taking['sha256'],
                'rows' => $rows,
                'lab_id' => $lab->id,
                'supersedes_id' => $old?->id,
                'read_on' => $taking['read_on'],
                'mapping' => $mapping->toArray(),
            ]);
            $doubts = new OpenDoubts();
            $leftOut = $this->store($file, $reading, $lab, $mapping, $taking, $report, $old, $author, $doubts);
            if (LabResult::query()->where('report_id', $report->id)->doesntExist()) {
                throw BadTable::because(
                    'no row holds a result of a portion of this team',
                    'a file with at least one result',
                );
            }
            $report->update(['left_out' => $leftOut]);
            LabMapping::query()->updateOrCreate(
                ['lab_id' => $lab->id, 'fingerprint' => $file->fingerprint()],
                ['mapping' => $mapping->toArray()],
            );
            $this->progress->tell($taking['sha256'], 'asking', $rows, $rows);
            $doubts->keep($report, $reading->doubts());
            ($this->ask)($report);

            return $report;
        });
    }

    private function superseded(?int $id, Lab $lab): ?LabReport
    {
        if ($id === null) {
            return null;
        }
        $old = LabReport::query()->find($id);
        if ($old === null || ($old->lab_id !== null && $old->lab_id !== $lab->id)) {
            throw Conflict::because('report_not_there');
        }

        return LabReport::query()->where('supersedes_id', $id)->exists()
            ? throw Conflict::because('report_replaced', file: $old->file_name)
            : $old;
    }

    /**
     * @param Taking $taking
     * @return list<array{row: int, why: string}>
     *
     * @throws RefusedRows
     */
    private function store(
        ReportFile $file,
        ReportReading $reading,
        Lab $lab,
        ReportMapping $mapping,
        array $taking,
        LabReport $report,
        ?LabReport $old,
        User $author,
        OpenDoubts $doubts,
    ): array {
        $match = $this->matcher($lab, $file, $mapping);
        $skip = array_flip($taking['skip']);
        $sorted = new SortLines($lab, $match, $reading, $mapping, $doubts, $skip, $author->name);
        [$there, $batch] = [[], []];
        foreach ($reading->lines() as $line) {
            $taken = $sorted->take($line);
            if (count($sorted->refused()) + count($there) >= self::MOST_REFUSED) {
                break;
            }
            if ($taken !== null) {
                $batch[] = $taken;
            }
            if (count($batch) === self::CHUNK) {
                $this->progress->tell($taking['sha256'], 'storing', $line->row, count($file->table->rows));
                $there = [...$there, ...$this->keep($batch, $report, $old, $author)];
                $batch = [];
            }
        }
        $refused = [...$sorted->refused(), ...$there, ...$this->keep($batch, $report, $old, $author)];
        usort($refused, static fn (array $a, array $b): int => $a['row'] <=> $b['row']);
        $this->join($report);

        return $refused === [] ? $sorted->leftOut() : throw new RefusedRows($refused, self::refusal(count($refused)));
    }

    private static function refusal(int $count): string
    {
        $many = match (true) {
            $count >= self::MOST_REFUSED => 'many results',
            $count === 1 => '1 result',
            default => "{$count} results",
        };

        return "Nothing of the report was stored: {$many} cannot be taken.";
    }

    private function matcher(Lab $lab, ReportFile $file, ReportMapping $mapping): MatchPortions
    {
        $match = new MatchPortions($lab);
        foreach ($mapping->columns as $i => $column) {
            if (in_array($column->role, [ColumnRole::Sample, ColumnRole::LabNumber, ColumnRole::Bag], true)) {
                $match->learn(
                    array_values(
                        array_filter(
                            array_unique(array_column($file->table->rows, $i)),
                            static fn (string $cell): bool => $cell !== '' && strlen($cell) <= 80,
                        ),
                    ),
                );
            }
        }

        return $match;
    }

    /**
     * @param list<array{ReportLine, FoundPortion, TestMethod, array{float|null, float|null}|null}> $batch
     * @return list<array{row: int, field: string, message: string}> results that were there already
     */
    private function keep(array $batch, LabReport $report, ?LabReport $old, User $author): array
    {
        if ($batch === []) {
            return [];
        }
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
                $refused[] = [
                    'row' => $line->row,
                    'field' => $line->column->name,
                    'message' => "row {$line->row}, {$line->column->name}: {$portion->code} has a result by ".
                        "{$method->name} already. Take the file as a corrected report, or leave the row out.",
                ];

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
        LabResult::query()
            ->whereKey($gone)
            ->update(['superseded_by' => $report->id]);

        return $refused;
    }

    /**
     * Results that are there already, and those of the report that is replaced.
     *
     * @param list<array{ReportLine, FoundPortion, TestMethod, array{float|null, float|null}|null}> $batch
     * @return array{array<string, true>, array<string, array{result?: int, reading?: int}>} by portion and method
     */
    private function standing(array $batch, ?LabReport $old): array
    {
        $portions = array_values(array_unique(array_map(static fn (array $one): int => $one[1]->id, $batch)));
        $methods = array_values(array_unique(array_map(static fn (array $one): int => $one[2]->id, $batch)));
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

    /** Results name the readings that were made of them. */
    private function join(LabReport $report): void
    {
        DB::update(
            'UPDATE lab_results SET reading_id = (SELECT r.id FROM readings r WHERE r.report_id = '.
                'lab_results.report_id AND r.portion_id = lab_results.portion_id AND r.method_id = '.
                    'lab_results.method_id)
                WHERE report_id = ? AND reading_id IS NULL AND kind = ? AND portion_id IN (SELECT id FROM portions '.
                        'WHERE kind IN (\'lab\', \'lab_b\'))',
            [$report->id, ReportedValue::NUMBER],
        );
    }
}
