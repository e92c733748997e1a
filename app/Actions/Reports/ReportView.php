<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\Values;
use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\ReportPaper;
use App\Models\ReportQuestion;
use App\Models\User;

/** A report with its results, its papers and its questions. */
final readonly class ReportView
{
    private const SHOWN = 500;

    /**
     * @param list<LabResult> $results the first of them
     * @param list<ReportPaper> $papers
     * @param list<AskedQuestion> $questions
     */
    private function __construct(
        public LabReport $report,
        public ?string $supersedes,
        public ?LabReport $next,
        public array $results,
        public array $papers,
        public array $questions,
    ) {}

    public static function of(LabReport $report): self
    {
        $names = User::query()->where('team_id', $report->team_id)->pluck('name', 'id');
        $questions = array_map(
            static fn (ReportQuestion $question): AskedQuestion => AskedQuestion::of(
                $question,
                $question->answered_by === null ? null : Values::text($names[$question->answered_by] ?? ''),
            ),
            array_values($report->questions()->orderBy('id')->get()->all()),
        );
        $results = $report
            ->results()
            ->with(['portion.sample:id,code', 'method'])
            ->orderBy('row')
            ->orderBy('id')
            ->limit(self::SHOWN)
            ->get();

        return new self(
            $report->counted(),
            $report->supersedes_id === null ? null : LabReport::ofTeam($report->supersedes_id)?->file_name,
            $report->replacement(),
            array_values($results->all()),
            array_values($report->papers()->orderBy('id')->get()->all()),
            $questions,
        );
    }
}
