<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Http\Resources\Reports\ReportLineResource;
use App\Models\LabReport;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListReports
{
    private const MOST = 100;

    public function __invoke(): AnonymousResourceCollection
    {
        return ReportLineResource::collection(LabReport::newest(self::MOST));
    }
}
