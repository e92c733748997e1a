<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\CalibrationShape;
use App\Models\PenCalibration;
use Illuminate\Http\JsonResponse;

final class ListCalibrations
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(
            PenCalibration::newest(100)->map(CalibrationShape::of(...)),
        );
    }
}
