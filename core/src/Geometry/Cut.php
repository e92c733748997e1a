<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\BadBoundary;

/**
 * Ground cut by a line or with a hole taken out.
 *
 * Quantity and unit: rings in degrees in and out, unclosed; the cutting is done on a plane in metres.
 * Domain: a line that enters and leaves the outer ring once, and crosses no hole.
 */
final class Cut
{
    /**
     * The two sides of a polygon along a line.
     *
     * @param non-empty-list<non-empty-list<array{float, float}>> $rings
     * @param list<array{float, float}> $line
     * @return array{non-empty-list<non-empty-list<array{float, float}>>,
     *     non-empty-list<non-empty-list<array{float, float}>>}
     *
     * @throws BadBoundary
     */
    public static function inTwo(array $rings, array $line): array
    {
        $plane = LocalPlane::about($rings[0]);
        $outer = array_map($plane->toMetres(...), $rings[0]);
        $path = array_map($plane->toMetres(...), $line);
        $crossings = self::crossings($outer, $path);
        if (count($crossings) !== 2) {
            throw new BadBoundary('line_does_not_cross_twice', ['count' => count($crossings)]);
        }
        foreach (array_slice($rings, 1) as $i => $hole) {
            if (self::crossings(array_map($plane->toMetres(...), $hole), $path) !== []) {
                throw new BadBoundary('line_crosses_hole', ['hole' => $i + 1]);
            }
        }
        [$enter, $leave] = $crossings;
        $between = array_slice($path, $enter['segment'] + 1, $leave['segment'] - $enter['segment']);
        $way = [$enter['at'], ...$between, $leave['at']];
        $first = [...self::along($outer, $leave['edge'], $enter['edge'], $leave['t'], $enter['t']), ...$way];
        $second = [
            ...self::along($outer, $enter['edge'], $leave['edge'], $enter['t'], $leave['t']),
            ...array_reverse($way),
        ];

        return [self::side($first, $rings, $plane), self::side($second, $rings, $plane)];
    }

    /**
     * A straight line across the middle of ground, at right angles to its longer axis: what a one-click split cuts
     * along.
     *
     * @param non-empty-list<array{float, float}> $ring degrees
     * @return array{array{float, float}, array{float, float}} degrees
     */
    public static function acrossTheMiddle(array $ring): array
    {
        $plane = LocalPlane::about($ring);
        $points = array_map($plane->toMetres(...), $ring);
        $n = count($points);
        [$mx, $my] = [array_sum(array_column($points, 0)) / $n, array_sum(array_column($points, 1)) / $n];
        [$xx, $yy, $xy, $far] = [0.0, 0.0, 0.0, 0.0];
        foreach ($points as [$x, $y]) {
            $xx += ($x - $mx) ** 2;
            $yy += ($y - $my) ** 2;
            $xy += ($x - $mx) * ($y - $my);
            $far = max($far, hypot($x - $mx, $y - $my));
        }
        $angle = atan2(2 * $xy, $xx - $yy) / 2 + M_PI_2;
        [$dx, $dy] = [2 * $far * cos($angle), 2 * $far * sin($angle)];

        return [$plane->toDegrees([$mx - $dx, $my - $dy]), $plane->toDegrees([$mx + $dx, $my + $dy])];
    }

    /**
     * @param list<array{float, float}> $ring
     * @param list<array{float, float}> $path
     * @return list<array{segment: int, along: float, edge: int, t: float, at: array{float, float}}> in the order
     *                                                                                               of the path
     */
    private static function crossings(array $ring, array $path): array
    {
        $found = [];
        $n = count($ring);
        for ($s = 0; $s + 1 < count($path); $s++) {
            [[$ax, $ay], [$bx, $by]] = [$path[$s], $path[$s + 1]];
            for ($e = 0; $e < $n; $e++) {
                [[$cx, $cy], [$dx, $dy]] = [$ring[$e], $ring[($e + 1) % $n]];
                $cross = ($bx - $ax) * ($dy - $cy) - ($by - $ay) * ($dx - $cx);
                if ($cross === 0.0) {
                    continue;
                }
                $along = (($cx - $ax) * ($dy - $cy) - ($cy - $ay) * ($dx - $cx)) / $cross;
                $t = (($cx - $ax) * ($by - $ay) - ($cy - $ay) * ($bx - $ax)) / $cross;
                if ($along >= 0 && $along < 1 && $t >= 0 && $t < 1) {
                    $found[] = [
                        'segment' => $s,
                        'along' => $along,
                        'edge' => $e,
                        't' => $t,
                        'at' => [$ax + $along * ($bx - $ax), $ay + $along * ($by - $ay)],
                    ];
                }
            }
        }
        usort(
            $found,
            static fn (array $a, array $b): int => [$a['segment'], $a['along']] <=> [$b['segment'], $b['along']],
        );

        return $found;
    }

    /**
     * Corners of a ring after a place on one edge and before a place on another, the way round it runs.
     *
     * @param list<array{float, float}> $ring
     * @return list<array{float, float}>
     */
    private static function along(array $ring, int $from, int $to, float $fromT, float $toT): array
    {
        $n = count($ring);
        $corners = [];
        $steps = ($to - $from + $n) % $n;
        if ($steps === 0 && $toT < $fromT) {
            $steps = $n;
        }
        for ($k = 1; $k <= $steps; $k++) {
            $corners[] = $ring[($from + $k) % $n];
        }

        return $corners;
    }

    /**
     * @param non-empty-list<array{float, float}> $outer metres
     * @param non-empty-list<non-empty-list<array{float, float}>> $rings degrees
     * @return non-empty-list<non-empty-list<array{float, float}>> degrees
     */
    private static function side(array $outer, array $rings, LocalPlane $plane): array
    {
        $polygon = new Polygon([$outer]);
        $holes = array_filter(
            array_slice($rings, 1),
            static fn (array $hole): bool => $polygon->contains(...$plane->toMetres($hole[0])),
        );

        return [array_map($plane->toDegrees(...), $outer), ...array_values($holes)];
    }
}
