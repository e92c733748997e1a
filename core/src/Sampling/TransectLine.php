<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Ground;
use HonestCore\Geometry\Intervals;
use HonestCore\Geometry\Line;

/**
 * Cores at even steps on one straight line over the ground.
 *
 * Quantity and unit: metres on a local plane; points in walking order.
 * Convention: the longest usable line of a fan about the centroid, the main axis included.
 * Source: common practice.
 */
final class TransectLine
{
    private const FAN = 24;

    /** @return list<array{float, float}> empty when the fan meets no usable ground */
    public static function lay(Ground $ground, MainAxis $axis, int $cores, Draw $draw): array
    {
        $start = $draw->share();
        [$best, $longest] = [null, 0.0];
        for ($k = 0; $k < self::FAN; $k++) {
            $line = Line::towards($axis->x, $axis->y, $axis->angle + (M_PI * $k) / self::FAN);
            $stretches = $ground->onLine($line);
            $length = Intervals::length($stretches);
            if ($length > $longest * (1 + 1e-9) && $stretches !== []) {
                [$best, $longest] = [['line' => $line, 'stretches' => $stretches], $length];
            }
        }
        $points = [];
        for ($i = 0; $best !== null && $i < $cores; $i++) {
            $points[] = $best['line']->at(Intervals::at($best['stretches'], (($i + $start) * $longest) / $cores));
        }

        return $points;
    }
}
