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
            LabReport::newest(100)
                ->map(ReportShape::line(...)),
        );
    }
}
