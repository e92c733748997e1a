<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Reports\CheckCharts;
use Illuminate\Http\JsonResponse;

final class ListCheckCharts
{
    public function __invoke(CheckCharts $charts): JsonResponse
    {
        return new JsonResponse($charts->all());
    }
}
