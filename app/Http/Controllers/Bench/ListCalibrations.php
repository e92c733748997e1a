<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Http\Resources\Bench\CalibrationResource;
use App\Models\PenCalibration;
use Illuminate\Http\JsonResponse;

final class ListCalibrations
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(
            CalibrationResource::collection(PenCalibration::newest(100)),
        );
    }
}
