<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Ground;

/**
 * Short transects across the rows at random places: a core every 3 in from the row to mid-row.
 *
 * Quantity and unit: metres on a local plane; transects in walking order, cores in order along each.
 * Convention: the first core of a transect is meant to stand on the nearest row; a transect that would leave the usable
 *   ground is drawn anew.
 */
final class AcrossRows
{
    private const TRIES = 200;

    /** @return list<array{float, float}> as many as asked for: the last transect may be cut short */
    public static function lay(Ground $ground, Strips $strips, int $cores, RowPlan $rows, Draw $draw): array
    {
        $per = $rows->perTransect();
        $starts = [];
        for ($i = 0; $i < (int) ceil($cores / $per); $i++) {
            $start = RandomCores::lay($ground, $strips, 1, $draw)[0];
            for ($try = 0; $try < self::TRIES && ! self::fits($ground, $start, $rows, $per); $try++) {
                $start = RandomCores::lay($ground, $strips, 1, $draw)[0];
            }
            $starts[] = $start;
        }
        $places = [];
        foreach (WalkingOrder::of($starts) as $start) {
            for ($k = 0; $k < $per && count($places) < $cores; $k++) {
                $place = self::at($start, $rows, $k);
                $places[] = $ground->contains(...$place) ? $place : $start;
            }
        }

        return $places;
    }

    /** @param array{float, float} $start */
    private static function fits(Ground $ground, array $start, RowPlan $rows, int $per): bool
    {
        return $ground->contains(...self::at($start, $rows, $per - 1));
    }

    /**
     * @param array{float, float} $start
     * @return array{float, float}
     */
    private static function at(array $start, RowPlan $rows, int $k): array
    {
        return [
            $start[0] + $k * RowPlan::STEP_M * cos($rows->across()),
            $start[1] + $k * RowPlan::STEP_M * sin($rows->across()),
        ];
    }
}
