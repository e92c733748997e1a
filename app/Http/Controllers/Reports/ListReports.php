<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Reports\ReportShape;
use App\Models\LabReport;
use Illuminate\Http\JsonResponse;

final class ListReports
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(
            LabReport::query()
                ->withCount([
                    'readings',
                    'results',
                    'questions',
                    'questions as open_count' => static fn ($query) => $query->whereNull('answer'),
                ])
                ->orderByDesc('id')
                ->limit(100)
                ->get()
                ->map(ReportShape::line(...)),
        );
    }
}
