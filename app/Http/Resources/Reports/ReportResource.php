<?php

declare(strict_types=1);

namespace App\Http\Resources\Reports;

use App\Actions\Reports\ReportView;
use App\Models\ReportPaper;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property ReportView $resource */
final class ReportResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $view = $this->resource;
        $report = $view->report;

        return [
            ...(new ReportLineResource($report))->toArray($request),
            'read_on' => $report->read_on?->format('Y-m-d'),
            'left_out' => $report->left_out,
            'supersedes' => $view->supersedes,
            'superseded_by' => $view->next?->only(['id', 'file_name']),
            'papers' => array_map(
                static fn (ReportPaper $paper): array => $paper->only(['id', 'name', 'bytes']),
                $view->papers,
            ),
            'shown' => ResultResource::collection($view->results),
            'asked' => QuestionResource::collection($view->questions),
        ];
    }
}
