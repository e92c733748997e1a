<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

/** Does a closed ring touch or cross itself, or two rings cross? Positions in degrees, as they came. */
final class RingCheck
{
    /**
     * First two edges of a ring that meet where they should not, 1-based, or null.
     *
     * Domain: an unclosed ring without repeated neighbours, 3 positions or more. Neighbouring edges may
     *   share their corner only; a spike that runs back on itself counts as crossing.
     *
     * @param non-empty-list<array{float, float}> $ring
     * @return array{int, int}|null
     */
    public static function selfCrossing(array $ring): ?array
    {
        $n = count($ring);
        foreach (self::candidates([self::edges($ring)]) as [[, $i], [, $j]]) {
            [$a, $b] = [$ring[$i], $ring[($i + 1) % $n]];
            [$c, $d] = [$ring[$j], $ring[($j + 1) % $n]];
            $neighbours = ($i + 1) % $n === $j || ($j + 1) % $n === $i;
            if ($neighbours ? self::runsBack($i, $j, $n, $ring) : self::meet($a, $b, $c, $d)) {
                return [min($i, $j) + 1, max($i, $j) + 1];
            }
        }

        return null;
    }

    /**
     * Do two rings properly cross? Touching, or sharing an edge, is no crossing.
     *
     * @param non-empty-list<array{float, float}> $one
     * @param non-empty-list<array{float, float}> $other
     */
    public static function cross(array $one, array $other): bool
    {
        foreach (self::candidates([self::edges($one), self::edges($other)]) as [[$r, $i], [$s, $j]]) {
            if ($r === $s) {
                continue;
            }
            [$p, $q] = $r === 0 ? [$one, $other] : [$other, $one];
            $a = $p[$i];
            $b = $p[($i + 1) % count($p)];
            $c = $q[$j];
            $d = $q[($j + 1) % count($q)];
            if (
                self::side($a, $b, $c) * self::side($a, $b, $d) < 0 &&
                self::side($c, $d, $a) * self::side($c, $d, $b) < 0
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * Pairs of edges whose boxes meet, found by sweeping from west to east.
     *
     * @param list<list<array{float, float, float, float, int}>> $rings
     * @return \Generator<array{array{int, int}, array{int, int}}> ring and edge of each
     */
    private static function candidates(array $rings): \Generator
    {
        $all = [];
        foreach ($rings as $r => $edges) {
            foreach ($edges as [$west, $east, $south, $north, $i]) {
                $all[] = [$west, $east, $south, $north, [$r, $i]];
            }
        }
        usort($all, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $active = [];
        foreach ($all as $edge) {
            foreach ($active as $k => $other) {
                if ($other[1] < $edge[0]) {
                    unset($active[$k]);
                } elseif ($other[2] <= $edge[3] && $other[3] >= $edge[2]) {
                    yield [$other[4], $edge[4]];
                }
            }
            $active[] = $edge;
        }
    }

    /**
     * @param non-empty-list<array{float, float}> $ring
     * @return list<array{float, float, float, float, int}>
     */
    private static function edges(array $ring): array
    {
        $edges = [];
        $n = count($ring);
        foreach ($ring as $i => $a) {
            $b = $ring[($i + 1) % $n];
            $edges[] = [min($a[0], $b[0]), max($a[0], $b[0]), min($a[1], $b[1]), max($a[1], $b[1]), $i];
        }

        return $edges;
    }

    /** @param non-empty-list<array{float, float}> $ring */
    private static function runsBack(int $i, int $j, int $n, array $ring): bool
    {
        if (($i + 1) % $n !== $j) {
            [$i, $j] = [$j, $i];
        }
        [$a, $b, $c] = [$ring[$i], $ring[$j], $ring[($j + 1) % $n]];
        $dot = ($b[0] - $a[0]) * ($c[0] - $b[0]) + ($b[1] - $a[1]) * ($c[1] - $b[1]);

        return $dot < 0 && self::side($a, $b, $c) === 0.0;
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     * @param array{float, float} $c
     * @param array{float, float} $d
     */
    private static function meet(array $a, array $b, array $c, array $d): bool
    {
        $c1 = self::side($a, $b, $c);
        $d1 = self::side($a, $b, $d);
        $a1 = self::side($c, $d, $a);
        $b1 = self::side($c, $d, $b);
        if ($c1 * $d1 < 0 && $a1 * $b1 < 0) {
            return true;
        }

        return ($c1 === 0.0 && self::within($a, $b, $c)) ||
            ($d1 === 0.0 && self::within($a, $b, $d)) ||
            ($a1 === 0.0 && self::within($c, $d, $a)) ||
            ($b1 === 0.0 && self::within($c, $d, $b));
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     * @param array{float, float} $p
     */
    private static function within(array $a, array $b, array $p): bool
    {
        return min($a[0], $b[0]) <= $p[0] &&
            $p[0] <= max($a[0], $b[0]) &&
            min($a[1], $b[1]) <= $p[1] &&
            $p[1] <= max($a[1], $b[1]);
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     * @param array{float, float} $p
     */
    private static function side(array $a, array $b, array $p): float
    {
        return ($b[0] - $a[0]) * ($p[1] - $a[1]) - ($b[1] - $a[1]) * ($p[0] - $a[0]);
    }
}
