<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Ground;
use HonestCore\Geometry\Intervals;
use HonestCore\Geometry\Line;

/**
 * Cores in the four corners and the middle of the ground, in turn.
 *
 * Quantity and unit: metres on a local plane; points in walking order.
 * Convention: a corner is sought on the diagonal from the middle, four fifths of the way along its usable ground; every
 *   further round lies a random fifth nearer.
 * Source: common practice for small beds.
 */
final class CornersAndMiddle
{
    private const REACH = 0.8;

    /** @return list<array{float, float}> */
    public static function lay(Ground $ground, MainAxis $axis, int $cores, Draw $draw): array
    {
        $half = $axis->length() / 2;
        $across = max(1e-6, $axis->areaM2 / max(1e-6, $axis->length()) / 2);
        $diagonal = atan2($across, $half);
        $places = [];
        for ($i = 0; $i < $cores; $i++) {
            $which = $i % 5;
            if ($which === 4) {
                $line = Line::towards($axis->x, $axis->y, $axis->angle + M_PI * $draw->share());
                $stretches = Intervals::both($ground->onLine($line), [[-INF, INF]]);
                $places[] = $line->at(self::nearest($stretches, 0.0));

                continue;
            }
            $angle = $axis->angle + [$diagonal, M_PI - $diagonal, M_PI + $diagonal, -$diagonal][$which];
            $line = Line::towards($axis->x, $axis->y, $angle);
            $stretches = Intervals::both($ground->onLine($line), [[0.0, INF]]);
            $length = Intervals::length($stretches);
            if ($length > 0 && $stretches !== []) {
                $share = self::REACH - ($i < 5 ? 0.0 : 0.2 * $draw->share() + 0.02);
                $places[] = $line->at(Intervals::at($stretches, $share * $length));
            }
        }

        return count($places) === $cores ? WalkingOrder::of($places) : [];
    }

    /** @param list<array{float, float}> $stretches */
    private static function nearest(array $stretches, float $t): float
    {
        [$best, $least] = [$t, INF];
        foreach ($stretches as [$from, $to]) {
            $at = max($from + 0.02 * ($to - $from), min($to - 0.02 * ($to - $from), $t));
            if (abs($at - $t) < $least) {
                [$best, $least] = [$at, abs($at - $t)];
            }
        }

        return $best;
    }
}
