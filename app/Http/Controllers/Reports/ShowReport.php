<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Reports\ReportShape;
use App\Models\LabReport;
use Illuminate\Http\JsonResponse;

final class ShowReport
{
    public function __invoke(LabReport $report): JsonResponse
    {
        return new JsonResponse(ReportShape::whole($report));
    }
}
