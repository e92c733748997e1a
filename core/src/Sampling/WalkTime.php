<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * Minutes to walk and core a plan.
 *
 * Quantity and unit: minutes; speed in km/h, seconds for each core and layer.
 * Source: the table in data/walk.json where a person's own figures are not given.
 */
final class WalkTime
{
    /**
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function minutes(
        float $walkM,
        int $cores,
        int $layers = 1,
        ?float $speedKmPerH = null,
        ?float $secondsPerCore = null,
    ): float {
        /** @var array{speed_km_per_h: float|int, seconds_per_core: float|int} $table */
        $table = RuleTable::named('walk');
        $speed = $speedKmPerH ?? (float) $table['speed_km_per_h'];
        $seconds = $secondsPerCore ?? (float) $table['seconds_per_core'];
        if (! ($speed > 0 && $speed <= 60)) {
            throw new ValueOutOfRange('speed', ['value' => $speed, 'low' => 0, 'high' => 60, 'unit' => 'km/h']);
        }
        if (! ($seconds >= 0 && $seconds <= 3600)) {
            throw new ValueOutOfRange('time_core', [
                'value' => $seconds,
                'low' => 0,
                'high' => 3600,
                'unit' => 's',
            ]);
        }

        return ($walkM / 1000 / $speed) * 60 + ($cores * $layers * $seconds) / 60;
    }
}
