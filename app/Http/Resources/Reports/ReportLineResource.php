<?php

declare(strict_types=1);

namespace App\Http\Resources\Reports;

use App\Models\LabReport;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property LabReport $resource */
final class ReportLineResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $report = $this->resource;

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
            'replaced' => (bool) $report->is_replaced,
        ];
    }
}
