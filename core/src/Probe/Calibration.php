<?php

declare(strict_types=1);

namespace HonestCore\Probe;

use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * What buffers say of a pH pen: its slope as a share of the ideal one and its offset at pH 7.
 *
 * Quantity and unit: slope in percent; offset in mV of a pen that shows its voltage, in pH of one that shows pH only.
 * Domain: 2 to 6 buffers from pH 0 to 14, at least two of them apart by 1 pH or more; 0 to 60 °C.
 * Variant: least squares through all buffers; of a pen that shows pH, slope is what it shows for one pH of the buffers.
 * Source: Nernst for the ideal slope; limits in data/pen-limits.json.
 */
final readonly class Calibration
{
    /** @param list<string> $reasons why it is not fit, empty when it is */
    private function __construct(
        public bool $inMillivolts,
        public float $slope,
        public float $slopePercent,
        public float $offset,
        public float $residual,
        public array $reasons,
    ) {}

    /**
     * @param list<array{buffer: float, shown: float}> $points
     *
     * @throws ValueOutOfRange
     */
    public static function of(array $points, float $celsius, bool $inMillivolts): self
    {
        /**
         * @var array{slope_percent: array{float, float}, offset_mv: float, offset_ph: float, buffers_apart_ph: float}
         *                                                                                                             $limits
         */
        $limits = RuleTable::named('pen-limits');
        self::check($points, $celsius, $inMillivolts, $limits['buffers_apart_ph']);
        /** @var non-empty-list<array{buffer: float, shown: float}> $points */
        $n = count($points);
        $x = array_map(static fn (array $point): float => $point['buffer'] - 7, $points);
        $y = array_map(
            static fn (array $point): float => $inMillivolts ? $point['shown'] : $point['shown'] - 7,
            $points,
        );
        [$meanX, $meanY] = [array_sum($x) / $n, array_sum($y) / $n];
        $sxx = array_sum(array_map(static fn (float $one): float => ($one - $meanX) ** 2, $x));
        $sxy = array_sum(
            array_map(static fn (float $one, float $other): float => ($one - $meanX) * ($other - $meanY), $x, $y),
        );
        $slope = $sxy / $sxx;
        $offset = $meanY - $slope * $meanX;
        $residual = max(
            array_map(static fn (float $one, float $other): float => abs($other - $offset - $slope * $one), $x, $y),
        );
        $ideal = $inMillivolts ? -Nernst::millivoltsPerPh($celsius) : 1.0;
        $percent = (100 * $slope) / $ideal;

        return new self(
            $inMillivolts,
            $slope,
            $percent,
            $offset,
            $residual,
            self::reasons($percent, $offset, $inMillivolts, $limits),
        );
    }

    public function isFit(): bool
    {
        return $this->reasons === [];
    }

    /** How far a buffer, read once more after the run, has moved: pH shown minus pH shown before. */
    public static function drift(float $before, float $after): float
    {
        foreach ([$before, $after] as $ph) {
            if (! ($ph >= 0 && $ph <= 14)) {
                throw new ValueOutOfRange('ph_shown', ['value' => $ph, 'low' => 0, 'high' => 14]);
            }
        }

        return $after - $before;
    }

    public static function driftsTooFar(float $drift): bool
    {
        /** @var float $most */
        $most = RuleTable::named('pen-limits')['drift_ph'];

        return abs($drift) > $most + 1e-9;
    }

    /**
     * @param list<array{buffer: float, shown: float}> $points
     *
     * @throws ValueOutOfRange
     */
    private static function check(array $points, float $celsius, bool $inMillivolts, float $apart): void
    {
        Bounds::within('temperature_buffers', $celsius, 0, 60, ['unit' => '°C']);
        Bounds::within('number_buffers', count($points), 2, 6);
        foreach ($points as ['buffer' => $buffer, 'shown' => $shown]) {
            Bounds::within('ph_buffer', $buffer, 0, 14);
            $inMillivolts
                ? Bounds::within('millivolts_a_pen_shows', $shown, -1000, 1000, ['unit' => 'mV'])
                : Bounds::within('ph_a_pen_shows', $shown, 0, 14);
        }
        $buffers = array_column($points, 'buffer');
        if ($buffers === [] || max($buffers) - min($buffers) < $apart) {
            throw new ValueOutOfRange('buffers_too_close', ['apart' => $apart]);
        }
    }

    /**
     * @param array{slope_percent: array{float, float}, offset_mv: float, offset_ph: float,
     *     buffers_apart_ph: float} $limits
     * @return list<string>
     */
    private static function reasons(float $percent, float $offset, bool $inMillivolts, array $limits): array
    {
        [$least, $most] = $limits['slope_percent'];
        $widest = $inMillivolts ? $limits['offset_mv'] : $limits['offset_ph'];
        $unit = $inMillivolts ? 'mV' : 'pH';
        $reasons = [];
        if ($percent < $least || $percent > $most) {
            $reasons[] =
                'The slope is '.
                number_format($percent, 1).
                " % of the ideal one, and {$least} to {$most} % are fit for work.";
        }
        if (abs($offset) > $widest) {
            $reasons[] =
                'The offset at pH 7 is '.
                number_format($offset, $inMillivolts ? 1 : 2).
                " {$unit}, and up to {$widest} {$unit} either way are fit for work.";
        }

        return $reasons;
    }
}
