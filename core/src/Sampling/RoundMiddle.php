<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Ground;

/**
 * Cores on a ring about the middle of the ground of one cell.
 *
 * Quantity and unit: metres on a local plane; points in walking order.
 * Convention: the ring has a radius of 6 m, less in a small cell; places of it that are not usable are drawn anew at
 *   random radii, and on the ground at large when that fails.
 * Source: common practice (point samples at grid nodes, cores within about 20 ft).
 */
final class RoundMiddle
{
    private const RADIUS_M = 6.0;

    private const TRIES = 60;

    /** @return list<array{float, float}> */
    public static function lay(Ground $ground, Strips $strips, MainAxis $axis, int $cores, Draw $draw): array
    {
        $radius = min(self::RADIUS_M, sqrt($axis->areaM2 / M_PI) / 2);
        $turn = 2 * M_PI * $draw->share();
        $places = [];
        for ($i = 0; $i < $cores; $i++) {
            $angle = $turn + (2 * M_PI * $i) / $cores;
            $place = [$axis->x + $radius * cos($angle), $axis->y + $radius * sin($angle)];
            for ($try = 0; $try < self::TRIES && ! $ground->contains(...$place); $try++) {
                $far = $radius * 3 * sqrt($draw->share());
                $angle = 2 * M_PI * $draw->share();
                $place = [$axis->x + $far * cos($angle), $axis->y + $far * sin($angle)];
            }
            $places[] = $ground->contains(...$place) ? $place : RandomCores::lay($ground, $strips, 1, $draw)[0];
        }

        return WalkingOrder::of($places);
    }
}
