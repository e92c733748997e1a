<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

/**
 * A polygon with holes on a local plane.
 *
 * Quantity and unit: metres, square metres. Rings are not closed (the first point is not repeated).
 */
final readonly class Polygon
{
    public Box $box;

    /** @param non-empty-list<non-empty-list<array{float, float}>> $rings the outer one first */
    public function __construct(public array $rings)
    {
        $this->box = Box::around($rings[0]);
    }

    /**
     * Area, holes taken off.
     *
     * Source: Gauss's shoelace formula.
     *
     * @pure
     */
    public function area(): float
    {
        $area = 0.0;
        foreach ($this->rings as $i => $ring) {
            $area += ($i === 0 ? 1 : -1) * abs(self::signed($ring));
        }

        return $area;
    }

    /** @pure */
    public function contains(float $x, float $y): bool
    {
        $inside = false;
        foreach ($this->rings as $ring) {
            $before = $ring[count($ring) - 1];
            foreach ($ring as $point) {
                if (
                    $y < $before[1] !== $point[1] > $y &&
                    $x < (($before[0] - $point[0]) * ($y - $point[1])) / ($before[1] - $point[1]) + $point[0]
                ) {
                    $inside = ! $inside;
                }
                $before = $point;
            }
        }

        return $inside;
    }

    /**
     * Where a line crosses the rings, ascending; inside lies between the first and second, and so on.
     *
     * @return list<float>
     */
    public function crossings(Line $line): array
    {
        $crossings = [];
        foreach ($this->rings as $ring) {
            [$beforeT, $beforeS] = $line->local(...$ring[count($ring) - 1]);
            foreach ($ring as [$x, $y]) {
                [$t, $s] = $line->local($x, $y);
                if ($s > 0 !== $beforeS > 0) {
                    $crossings[] = $t + (($beforeT - $t) * $s) / ($s - $beforeS);
                }
                [$beforeT, $beforeS] = [$t, $s];
            }
        }
        sort($crossings);

        return $crossings;
    }

    /**
     * Ground within a distance of the rings.
     *
     * @return list<Capsule>
     */
    public function rim(float $reach): array
    {
        $capsules = [];
        foreach ($this->rings as $ring) {
            $before = $ring[count($ring) - 1];
            foreach ($ring as $point) {
                $capsules[] = new Capsule($before[0], $before[1], $point[0], $point[1], $reach);
                $before = $point;
            }
        }

        return $capsules;
    }

    /**
     * @param non-empty-list<array{float, float}> $ring
     *
     * @pure
     */
    private static function signed(array $ring): float
    {
        $twice = 0.0;
        [$ox, $oy] = $ring[0];
        $before = $ring[count($ring) - 1];
        foreach ($ring as $point) {
            $twice += ($before[0] - $ox) * ($point[1] - $oy) - ($point[0] - $ox) * ($before[1] - $oy);
            $before = $point;
        }

        return $twice / 2;
    }
}
