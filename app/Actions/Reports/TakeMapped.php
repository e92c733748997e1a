<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\AllOrNothing;
use App\Database\Turn;
use App\Exceptions\Conflict;
use App\Exceptions\Refused;
use App\Exceptions\RefusedRows;
use App\Models\Concerns\TakenScope;
use App\Models\Lab;
use App\Models\LabMapping;
use App\Models\LabReport;
use App\Models\User;
use HonestCore\Reports\ColumnRole;
use HonestCore\Reports\ReportMapping;
use HonestCore\Reports\ReportReading;

/**
 * Takes a lab's report whole or not at all: every result as it was reported and in the home unit of its analyte. The
 * same file again changes nothing; a corrected report takes the place of the one it names, whose results stay
 * visible. It is stored in pieces that nobody sees, so that others can write meanwhile.
 *
 * @phpstan-type Taking array{file_name: string, sha256: string, read_on: string, decimal_comma: bool|null,
 *     skip: list<int>, supersedes_id: int|null}
 */
final class TakeMapped
{
    /** How long a second report of a team waits for the first. */
    private const PATIENCE_S = 10.0;

    public function __construct(
        private readonly FinishReport $finish,
        private readonly SettleReports $settle,
        private readonly ReportProgress $progress,
    ) {}

    /**
     * @param Taking $taking
     *
     * @throws RefusedRows
     */
    public function __invoke(ReportFile $file, Lab $lab, ReportMapping $mapping, array $taking, User $author): LabReport
    {
        $mapping->check();
        $reading = $file->reading($mapping, $taking['decimal_comma']);
        $turn = Turn::take(SettleReports::turn($author->team_id), self::PATIENCE_S) ?? throw Conflict::because('report_in_hand');
        try {
            $this->settle->leftBehind();
            $known = LabReport::query()->where('sha256', $taking['sha256'])->first();

            return $known ?? $this->take($file, $reading, $lab, $mapping, $taking, $author);
        } finally {
            $turn->giveBack();
        }
    }

    /** @param Taking $taking */
    private function take(
        ReportFile $file,
        ReportReading $reading,
        Lab $lab,
        ReportMapping $mapping,
        array $taking,
        User $author,
    ): LabReport {
        $old = $this->superseded($taking['supersedes_id'], $lab);
        $methods = new SeriesMethods($lab);
        $lines = $this->lines($file, $reading, $lab, $mapping, $taking['skip'], $methods, $author);
        if (! $lines->check($old)) {
            throw Refused::because('report_without_results');
        }
        $rows = count($file->table->rows);
        $report = AllOrNothing::of(static function () use ($lab, $mapping, $taking, $author, $rows, $old, $methods): LabReport {
            $methods->keep();

            return LabReport::query()->create([
                'created_by' => $author->id,
                'file_name' => $taking['file_name'],
                'sha256' => $taking['sha256'],
                'rows' => $rows,
                'lab_id' => $lab->id,
                'supersedes_id' => $old?->id,
                'read_on' => $taking['read_on'],
                'mapping' => $mapping->toArray(),
                'state' => 'taking',
            ]);
        });

        return TakenScope::admitting($report->id, function () use (
            $lines, $report, $old, $author, $taking, $rows, $lab, $file, $mapping, $reading,
        ): LabReport {
            $doubts = new OpenDoubts();
            try {
                $leftOut = $lines->store(
                    $report,
                    $old,
                    $author,
                    $doubts,
                    fn (int $row) => $this->progress->tell($taking['sha256'], 'storing', $row, $rows),
                );
                AllOrNothing::of(static function () use ($report, $leftOut, $lab, $file, $mapping, $doubts, $reading): void {
                    $report->update(['left_out' => $leftOut, 'state' => 'sealing']);
                    LabMapping::query()->updateOrCreate(
                        ['lab_id' => $lab->id, 'fingerprint' => $file->fingerprint()],
                        ['mapping' => $mapping->toArray()],
                    );
                    $doubts->keep($report, $reading->doubts());
                });
            } catch (\Throwable $failed) {
                $this->settle->drop($report);

                throw $failed;
            }
            $this->progress->tell($taking['sha256'], 'asking', $rows, $rows);

            return ($this->finish)($report);
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

    /** @param list<int> $skip rows that a person leaves out */
    private function lines(
        ReportFile $file,
        ReportReading $reading,
        Lab $lab,
        ReportMapping $mapping,
        array $skip,
        SeriesMethods $methods,
        User $author,
    ): StoreLines {
        $match = $this->matcher($lab, $file, $mapping);

        return new StoreLines(
            static fn (OpenDoubts $doubts): SortLines => new SortLines(
                $methods,
                $match,
                $reading,
                $mapping,
                $doubts,
                array_flip($skip),
                $author->name,
            ),
            static function (SortLines $sorted) use ($reading): \Generator {
                foreach ($reading->lines() as $line) {
                    yield [$line, $sorted->take($line)];
                }
            },
        );
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
}
