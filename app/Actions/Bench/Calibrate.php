<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Exceptions\Refused;
use App\Models\PenCalibration;
use App\Models\Reading;
use App\Models\Run;
use App\Models\User;
use HonestCore\Probe\Calibration;

/** Keeps what a pen showed in its buffers, and how far it had drifted after the work. */
final class Calibrate
{
    /** @param list<array{buffer: float, shown: float}> $points */
    public function keep(
        User $author,
        string $instrument,
        array $points,
        float $celsius,
        bool $inMillivolts,
    ): PenCalibration {
        $found = Calibration::of($points, $celsius, $inMillivolts);

        return PenCalibration::query()->create([
            'created_by' => $author->id,
            'instrument' => $instrument,
            'in_millivolts' => $inMillivolts,
            'celsius' => $celsius,
            'points' => $points,
            'slope_percent' => $found->slopePercent,
            'offset' => $found->offset,
            'residual' => $found->residual,
            'reasons' => $found->reasons,
            'at' => now(),
        ]);
    }

    /**
     * A buffer read once more after the run, in pH. A pen that drifted too far breaks the protocol of all it read
     * since.
     *
     * @return int readings that are left out because of it
     */
    public function drift(PenCalibration $calibration, float $buffer, float $shown): int
    {
        return AllOrNothing::of(static function () use ($calibration, $buffer, $shown): int {
            if (PenCalibration::query()->whereKey($calibration->id)->whereNotNull('drift')->exists()) {
                throw Conflict::because('drift_on_record');
            }
            $before = null;
            foreach ($calibration->points as $point) {
                if (abs($point['buffer'] - $buffer) < 1e-9) {
                    $before = $calibration->in_millivolts ? $buffer : (float) $point['shown'];
                }
            }
            if ($before === null) {
                throw Refused::because(
                    'not_calibrated_there',
                    buffer: $buffer,
                    buffers: implode(', ', array_column($calibration->points, 'buffer')),
                );
            }
            $drift = Calibration::drift($before, $shown);
            $calibration->update(['check_buffer' => $buffer, 'drift' => $drift, 'drift_at' => now()]);
            if (! Calibration::driftsTooFar($drift)) {
                return 0;
            }
            $left = 0;
            foreach (
                Reading::query()
                    ->whereDoesntHave('correction')
                    ->whereIn('run_id', Run::query()->where('calibration_id', $calibration->id)->pluck('id'))
                    ->get() as $reading
            ) {
                if (! in_array('pen-drift', $reading->flags, true)) {
                    $words = (array) ($reading->detail['breaks'] ?? []);
                    $reading->corrected([
                        'flags' => [...$reading->flags, 'pen-drift'],
                        'detail' => [
                            'breaks' => [
                                ...$words,
                                'After the run the pen had drifted by '.number_format($drift, 2).' pH.',
                            ],
                        ] +
                            ($reading->detail ?? []),
                    ]);
                    $left++;
                }
            }

            return $left;
        });
    }
}
