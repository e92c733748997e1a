<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\Piece;
use App\Models\Concerns\TakenScope;
use App\Models\LabReport;
use App\Models\TestMethod;
use Illuminate\Support\Facades\DB;

/**
 * What became of reports whose taking was cut off: one that was not stored whole goes away as if it had never been; one
 * that was is finished. Only who has the team's turn may do so.
 */
final class SettleReports
{
    private const TABLES = ['result_marks' => 'superseded_by', 'lab_results' => 'report_id', 'readings' => 'report_id'];

    private const PIECE = 2000;

    /** Methods of a report are made within so many seconds before it. */
    private const BEFORE_S = 5;

    public function __construct(private readonly FinishReport $finish) {}

    /** The turn that is held while a report of a team is taken. */
    public static function turn(int $team): string
    {
        return "report-of-{$team}";
    }

    /** @return int how many of the team there were */
    public function leftBehind(): int
    {
        $left = LabReport::query()->withoutGlobalScope(TakenScope::class)->where('state', '<>', 'taken')->get();
        foreach ($left as $report) {
            TakenScope::admitting(
                $report->id,
                fn () => $report->state === 'taking' ? $this->drop($report) : ($this->finish)($report),
            );
        }

        return $left->count();
    }

    /** Takes a report away of which no row has a link yet, and the methods that were made for it. */
    public function drop(LabReport $report): void
    {
        // Every table is emptied of the report before the one that its rows point at; looking for rows that still do
        // would read the large tables for every row.
        DB::statement('PRAGMA foreign_keys = OFF');
        try {
            foreach (self::TABLES as $table => $column) {
                do {
                    $gone = Piece::of(
                        static fn (): int => DB::delete(
                            "DELETE FROM {$table} WHERE id IN (SELECT id FROM {$table} WHERE team_id = ? AND {$column} = ? LIMIT ?)",
                            [$report->team_id, $report->id, self::PIECE],
                        ),
                    );
                } while ($gone === self::PIECE);
            }
            DB::delete('DELETE FROM lab_reports WHERE id = ?', [$report->id]);
        } finally {
            DB::statement('PRAGMA foreign_keys = ON');
        }
        TestMethod::query()
            ->where('lab_id', $report->lab_id)
            // They are kept just before the report is: the second may have turned in between.
            ->where('created_at', '>=', $report->created_at->copy()->subSeconds(self::BEFORE_S))
            ->whereDoesntHave('readings')
            ->whereNotExists(static fn ($results) => $results->from('lab_results')->whereColumn('method_id', 'methods.id'))
            ->delete();
    }
}
