<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Ground;
use HonestCore\Geometry\Intervals;
use HonestCore\Geometry\Line;

/**
 * Places drawn evenly over the ground.
 *
 * Quantity and unit: metres on a local plane, in no order.
 * Variant: drawn in the bounding box and kept when usable, so that every square metre is as likely; where
 *   that finds nothing in long trying, drawn along a strip.
 */
final class RandomCores
{
    private const TRIES = 20_000;

    /** @return list<array{float, float}> */
    public static function lay(Ground $ground, Strips $strips, int $cores, Draw $draw): array
    {
        $points = [];
        while (count($points) < $cores) {
            $point = self::one($ground, $strips, $draw);
            if ($point === null) {
                return [];
            }
            $points[] = $point;
        }

        return $points;
    }

    /** @return array{float, float}|null */
    private static function one(Ground $ground, Strips $strips, Draw $draw): ?array
    {
        for ($i = 0; $i < self::TRIES; $i++) {
            $x = $draw->between($ground->box->west, $ground->box->east);
            $y = $draw->between($ground->box->south, $ground->box->north);
            if ($ground->contains($x, $y)) {
                return [$x, $y];
            }
        }
        $area = $draw->share() * $strips->areaM2();
        foreach ($strips->strips as ['y' => $y, 'height' => $height, 'spans' => $spans]) {
            $piece = $height * Intervals::length($spans);
            if ($spans !== [] && $area <= $piece) {
                return Line::eastward($y)->at(Intervals::at($spans, $area / $height));
            }
            $area -= $piece;
        }

        return null;
    }
}
