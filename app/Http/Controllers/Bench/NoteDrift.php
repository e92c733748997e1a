<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\Calibrate;
use App\Http\Resources\Bench\CalibrationResource;
use App\Models\PenCalibration;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class NoteDrift
{
    public function __invoke(Request $request, PenCalibration $calibration, Calibrate $calibrate): JsonResponse
    {
        $request->validate([
            'buffer' => ['required', 'numeric', 'between:0,14'],
            'shown' => ['required', 'numeric', 'between:0,14'],
        ]);
        $left = $calibrate->drift($calibration, $request->float('buffer'), $request->float('shown'));

        return new JsonResponse([...(new CalibrationResource($calibration->refresh()))->toArray($request), 'left_out' => $left]);
    }
}
