<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\LabImport;
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
    public static function line(LabImport $import): array
    {
        return [
            'id' => $import->id,
            'file_name' => $import->file_name,
            'rows' => $import->rows,
            'readings' => $import->readings_count,
            'taken_at' => $import->created_at->toIso8601ZuluString(),
            'results' => $import->results_count,
            'questions' => $import->questions_count,
            'open' => $import->open_count,
            'lab_id' => $import->lab_id,
            'replaced' => LabImport::query()->where('supersedes_id', $import->id)->exists(),
        ];
    }

    /** @return array<string, mixed> */
    public static function whole(LabImport $import): array
    {
        self::counted($import);
        $results = $import
            ->results()
            ->with(['portion.sample:id,code', 'method'])
            ->orderBy('row')
            ->orderBy('id')
            ->limit(self::SHOWN)
            ->get();
        $names = User::query()->where('team_id', $import->team_id)->pluck('name', 'id');
        $next = LabImport::query()->where('supersedes_id', $import->id)->first();

        return [
            ...self::line($import),
            'read_on' => $import->read_on?->format('Y-m-d'),
            'left_out' => $import->left_out,
            'supersedes' => $import->supersedes_id === null
                    ? null
                    : LabImport::query()->whereKey($import->supersedes_id)->value('file_name'),
            'superseded_by' => $next === null ? null : ['id' => $next->id, 'file_name' => $next->file_name],
            'papers' => array_values(
                $import
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
                $import
                    ->questions()
                    ->orderBy('id')
                    ->get()
                    ->map(static fn (ReportQuestion $question): array => self::question($question, $names->all()))
                    ->all(),
            ),
        ];
    }

    public static function counted(LabImport $import): LabImport
    {
        return $import->loadCount([
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
            'kind' => $question->kind,
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
