<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\AllOrNothing;
use App\Database\Patience;
use App\Database\Statistics;
use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\ResultMark;
use App\Record\Seal;

/**
 * The end of taking a report whose rows are all stored: they get their links, piece by piece, the report is questioned,
 * and from one moment to the next it is there for everybody. What a report is cut off from here on goes on later.
 */
final class FinishReport
{
    public function __construct(private readonly AskQuestions $ask) {}

    public function __invoke(LabReport $report): LabReport
    {
        Seal::report($report->id);
        $questions = $this->ask->of($report);
        AllOrNothing::of(function () use ($report, $questions): void {
            LabResult::query()
                ->whereIn('id', ResultMark::query()->where('superseded_by', $report->id)->select('result_id'))
                ->update(['superseded_by' => $report->id]);
            $this->ask->keep($report, $questions);
            $report->update(['state' => 'taken']);
        });
        // Tables that have grown much are looked at anew, so that the next queries are planned by what is in them.
        Patience::short(Statistics::kept(...));

        return $report;
    }
}
