<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Box;
use HonestCore\Geometry\Ground;

/**
 * Ground cut into square cells, each the ground of one composite.
 *
 * Quantity and unit: metres, square metres.
 * Convention: the lattice begins at the north-western corner of the bounding box and is numbered to and fro;
 *   a piece with less than a tenth of a cell's usable ground joins the neighbour it shares a side (else a
 *   corner) with, the larger first.
 */
final class Cells
{
    private const LEAST_SHARE = 0.1;

    private const LINES = 24;

    /**
     * @return list<Ground>
     */
    public static function cut(Ground $ground, float $cellM2): array
    {
        $side = sqrt($cellM2);
        $areas = $boxes = [];
        $columns = (int) max(1, ceil($ground->box->width() / $side - 1e-9));
        $rows = (int) max(1, ceil($ground->box->height() / $side - 1e-9));
        for ($r = 0; $r < $rows; $r++) {
            for ($c = 0; $c < $columns; $c++) {
                $north = $ground->box->north - $r * $side;
                $west = $ground->box->west + $c * $side;
                $box = new Box($west, $north - $side, $west + $side, $north);
                $area = Strips::of($ground->within([$box]), self::LINES)->areaM2();
                if ($area > 0) {
                    $key = $r * $columns + $c;
                    [$areas[$key], $boxes[$key]] = [$area, $box];
                }
            }
        }
        $groups = self::join($areas, $columns, self::LEAST_SHARE * $cellM2);
        $order = static function (int $key) use ($columns): int {
            $row = intdiv($key, $columns);

            return $row % 2 === 0 ? $key : $row * $columns + $columns - 1 - ($key % $columns);
        };
        uksort($groups, static fn (int $a, int $b): int => $order($a) <=> $order($b));

        return array_map(
            static fn (array $keys): Ground => $ground->within(
                array_map(static fn (int $key): Box => $boxes[$key], $keys),
            ),
            array_values($groups),
        );
    }

    /**
     * @param array<int, float> $areas by cell
     * @return array<int, non-empty-list<int>> cells by the cell that leads them
     */
    private static function join(array $areas, int $columns, float $least): array
    {
        $groups = array_map(
            static fn (int $key): array => [$key],
            array_combine(array_keys($areas), array_keys($areas)),
        );
        $leader = array_combine(array_keys($areas), array_keys($areas));
        asort($areas);
        foreach (array_keys(array_filter($areas, static fn (float $area): bool => $area < $least)) as $key) {
            if ($leader[$key] !== $key || $areas[$key] >= $least) {
                continue;
            }
            $to = self::neighbour($key, $groups[$key], $leader, $areas, $columns);
            if ($to === null) {
                continue;
            }
            $areas[$to] += $areas[$key];
            foreach ($groups[$key] as $member) {
                $leader[$member] = $to;
            }
            array_push($groups[$to], ...$groups[$key]);
            unset($groups[$key]);
        }

        return $groups;
    }

    /**
     * @param list<int> $members
     * @param array<int, int> $leader
     * @param array<int, float> $areas
     */
    private static function neighbour(int $key, array $members, array $leader, array $areas, int $columns): ?int
    {
        foreach ([[[0, 1], [0, -1], [1, 0], [-1, 0]], [[1, 1], [1, -1], [-1, 1], [-1, -1]]] as $steps) {
            $best = null;
            foreach ($members as $member) {
                foreach ($steps as [$down, $right]) {
                    $column = ($member % $columns) + $right;
                    $other = $leader[$member + $down * $columns + $right] ?? null;
                    if (
                        $column >= 0 &&
                        $column < $columns &&
                        $other !== null &&
                        $other !== $key &&
                        ($best === null || $areas[$other] > $areas[$best])
                    ) {
                        $best = $other;
                    }
                }
            }
            if ($best !== null) {
                return $best;
            }
        }

        return null;
    }
}
