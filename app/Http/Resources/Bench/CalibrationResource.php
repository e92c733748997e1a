<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use App\Models\PenCalibration;
use HonestCore\Probe\Calibration;
use HonestCore\Probe\Nernst;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property PenCalibration $resource */
final class CalibrationResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $calibration = $this->resource;

        return [
            'id' => $calibration->id,
            'instrument' => $calibration->instrument,
            'in_millivolts' => $calibration->in_millivolts,
            'celsius' => $calibration->celsius,
            'points' => $calibration->points,
            'slope_percent' => $calibration->slope_percent,
            'ideal_mv' => Nernst::millivoltsPerPh($calibration->celsius),
            'offset' => $calibration->offset,
            'residual' => $calibration->residual,
            'reasons' => $calibration->reasons,
            'at' => $calibration->at->toIso8601ZuluString(),
            'check_buffer' => $calibration->check_buffer,
            'drift' => $calibration->drift,
            'drift_at' => $calibration->drift_at?->toIso8601ZuluString(),
            'drifted' => $calibration->drift !== null && Calibration::driftsTooFar($calibration->drift),
        ];
    }
}
