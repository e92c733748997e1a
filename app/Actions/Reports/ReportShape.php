<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\Values;
use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\ReportPaper;
use App\Models\ReportQuestion;
use App\Models\User;
use HonestCore\Reports\ReportedValue;

/** A report as pages are shown it. */
final class ReportShape
{
    private const SHOWN = 500;

    /** @return array<string, mixed> */
    public static function line(LabReport $report): array
    {
        return [
            'id' => $report->id,
            'file_name' => $report->file_name,
            'rows' => $report->rows,
            'readings' => $report->readings_count,
            'taken_at' => $report->created_at->toIso8601ZuluString(),
            'results' => $report->results_count,
            'questions' => $report->questions_count,
            'open' => $report->open_count,
            'lab_id' => $report->lab_id,
            'replaced' => LabReport::query()->where('supersedes_id', $report->id)->exists(),
        ];
    }

    /** @return array<string, mixed> */
    public static function whole(LabReport $report): array
    {
        self::counted($report);
        $results = $report
            ->results()
            ->with(['portion.sample:id,code', 'method'])
            ->orderBy('row')
            ->orderBy('id')
            ->limit(self::SHOWN)
            ->get();
        $names = User::query()->where('team_id', $report->team_id)->pluck('name', 'id');
        $next = LabReport::query()->where('supersedes_id', $report->id)->first();

        return [
            ...self::line($report),
            'read_on' => $report->read_on?->format('Y-m-d'),
            'left_out' => $report->left_out,
            'supersedes' => $report->supersedes_id === null
                    ? null
                    : LabReport::query()->whereKey($report->supersedes_id)->value('file_name'),
            'superseded_by' => $next === null ? null : ['id' => $next->id, 'file_name' => $next->file_name],
            'papers' => array_values(
                $report
                    ->papers()
                    ->orderBy('id')
                    ->get()
                    ->map(
                        static fn (ReportPaper $paper): array => [
                            'id' => $paper->id,
                            'name' => $paper->name,
                            'bytes' => $paper->bytes,
                        ],
                    )
                    ->all(),
            ),
            'shown' => array_values($results->map(self::result(...))->all()),
            'asked' => array_values(
                $report
                    ->questions()
                    ->orderBy('id')
                    ->get()
                    ->map(static fn (ReportQuestion $question): array => self::question($question, array_map(Values::text(...), $names->all())))
                    ->all(),
            ),
        ];
    }

    public static function counted(LabReport $report): LabReport
    {
        return $report->loadCount([
            'readings',
            'results',
            'questions',
            'questions as open_count' => static fn ($query) => $query->whereNull('answer'),
        ]);
    }

    /** @return array<string, mixed> */
    public static function result(LabResult $result): array
    {
        return [
            'id' => $result->id,
            'row' => $result->row,
            'portion' => $result->portion->code,
            'portion_id' => $result->portion_id,
            'kind' => $result->portion->kind,
            'sample_id' => $result->portion->sample_id,
            'sample' => $result->portion->sample?->code,
            'series' => AskQuestions::series($result->method),
            'method_id' => $result->method_id,
            'as_reported' => $result->as_reported,
            'unit_reported' => $result->unit,
            'form' => $result->form,
            'said' => $result->kind,
            'value' => $result->kind === ReportedValue::NUMBER ? $result->value : null,
            'unit' => SeriesMethods::unit($result->method),
            'superseded' => $result->superseded_by !== null,
            'excluded' => $result->excluded,
        ];
    }

    /**
     * @param array<int, string> $names
     * @return array<string, mixed>
     */
    public static function question(ReportQuestion $question, array $names): array
    {
        return [
            'id' => $question->id,
            'kind' => $question->kind->value,
            'words' => $question->words,
            'result_ids' => $question->result_ids,
            'answer' => $question->answer,
            'note' => $question->note,
            'by' => $names[$question->answered_by] ?? null,
            'at' => $question->answered_at?->toIso8601ZuluString(),
            'letter' => $question->answer === 'recheck' ? OrderRecheck::letter($question) : null,
        ];
    }
}
