<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Ground;
use HonestCore\Geometry\Line;

/**
 * Cores at even steps along a walk that swings from side to side of the ground.
 *
 * Quantity and unit: metres on a local plane; points in walking order.
 * Convention: legs run between stations along the main axis, a little inside the ground; steps are counted
 *   on usable ground only and begin at a random fraction of a step (systematic sampling).
 * Source: common practice (zigzag and W walks).
 */
final class Zigzag
{
    public const W_LEGS = 4;

    private const INSET_ALONG = 0.04;

    private const INSET_ACROSS = 0.1;

    /** @return list<array{float, float}> empty when no leg meets usable ground */
    public static function lay(Ground $ground, MainAxis $axis, int $cores, ?int $legs, Draw $draw): array
    {
        $legs ??= self::usualLegs($axis, $cores);
        $side = $draw->share() < 0.5 ? 0 : 1;
        $start = $draw->share();
        $turns = [];
        for ($k = 0; $k <= $legs; $k++) {
            $along = $axis->from + $axis->length() * (self::INSET_ALONG + ((1 - 2 * self::INSET_ALONG) * $k) / $legs);
            $across = Line::towards(...[...$axis->at($along), $axis->angle + M_PI_2]);
            $stretches = $ground->onLine($across);
            if ($stretches === []) {
                continue;
            }
            [$low, $high] = [$stretches[0][0], $stretches[count($stretches) - 1][1]];
            $inset = self::INSET_ACROSS * ($high - $low);
            $turns[] = $across->at(($k + $side) % 2 === 0 ? $low + $inset : $high - $inset);
        }

        return Walkway::along($ground, $turns)->steps($cores, $start);
    }

    /** About three cores to a leg on square ground, more legs on long ground. */
    private static function usualLegs(MainAxis $axis, int $cores): int
    {
        $aspect = $axis->length() ** 2 / $axis->areaM2;

        return (int) max(2, min(max(2, $cores - 1), round(sqrt(1.6 * $cores * $aspect))));
    }
}
