<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\BadBoundary;

/**
 * The ground of one part of an area: its boundary cut to the squares of a cell, or a zone as it was drawn.
 *
 * Quantity and unit: degrees (WGS 84) in and out, square metres; the cutting is done on the plane of the boundary.
 * Domain: cells are rectangles along the axes of that plane; rings that nowhere cross themselves.
 * Variant: each side of a square cuts by the crossings of its line, taken two by two along it (even-odd), so that ground that
 *   falls apart becomes polygons of its own, and nothing is bridged or smoothed. Squares of one cell are joined along the sides
 *   that they share.
 */
final readonly class PartGround
{
    private const EAST = 0;

    private const NORTH = 1;

    /** A corner on a cutting line counts as this far inside of it, in metres. */
    private const HAIR = 1e-7;

    /** Corners that lie this close together are one, in metres. */
    private const SNAP = 1e-3;

    /** Less than this is rounding, in square metres. */
    private const LEAST_M2 = 0.01;

    /** @param list<Polygon> $polygons metres */
    private function __construct(private LocalPlane $plane, private array $polygons) {}

    /**
     * @param array<string, mixed> $boundary GeoJSON
     * @param list<list<array{float, float}>> $outline rings of the squares of a cell, degrees
     *
     * @throws BadBoundary
     */
    public static function ofCell(array $boundary, array $outline): self
    {
        $ground = Boundary::fromGeoJson(json_encode($boundary, JSON_THROW_ON_ERROR));
        $found = [];
        foreach ($outline as $ring) {
            $box = $ring === [] ? null : Box::around(array_map($ground->plane->toMetres(...), $ring));
            foreach ($box === null ? [] : $ground->polygons as $polygon) {
                array_push($found, ...self::within($polygon, $box ?? $polygon->box));
            }
        }
        $found = count($outline) > 1 ? self::nested(self::withoutSeams($found)) : $found;

        return new self($ground->plane, $found);
    }

    /**
     * @param list<list<array{float, float}>> $rings of a zone, degrees: outer ones and holes
     */
    public static function ofZone(array $rings): self
    {
        $plane = LocalPlane::about(self::open($rings[0] ?? []));

        return new self(
            $plane,
            self::nested(
                array_values(array_map(static fn (array $ring): array => array_map($plane->toMetres(...), self::open($ring)), $rings)),
            ),
        );
    }

    public function areaM2(): float
    {
        return array_sum(array_map(static fn (Polygon $polygon): float => $polygon->area(), $this->polygons));
    }

    /** @return array{type: 'MultiPolygon', coordinates: list<list<list<array{float, float}>>>} closed rings */
    public function geoJson(): array
    {
        return [
            'type' => 'MultiPolygon',
            'coordinates' => array_map(
                fn (Polygon $polygon): array => array_map(
                    function (array $ring): array {
                        $degrees = array_map($this->plane->toDegrees(...), $ring);

                        return [...$degrees, $degrees[0]];
                    },
                    $polygon->rings,
                ),
                $this->polygons,
            ),
        ];
    }

    /**
     * Pieces that lie side by side as rings round all of them: an edge that two of them run along both ways is no rim.
     *
     * @param list<Polygon> $pieces
     * @return list<non-empty-list<array{float, float}>>
     */
    private static function withoutSeams(array $pieces): array
    {
        $next = $at = [];
        foreach ($pieces as $piece) {
            foreach (array_values($piece->rings) as $i => $ring) {
                $keys = [];
                foreach (self::turned($ring, $i === 0) as $point) {
                    $keys[] = $key = round($point[0] / self::SNAP).' '.round($point[1] / self::SNAP);
                    $at[$key] ??= $point;
                }
                foreach ($keys as $k => $from) {
                    $to = $keys[($k + 1) % count($keys)];
                    if (isset($next[$to][$from])) {
                        unset($next[$to][$from]);
                    } elseif ($from !== $to) {
                        $next[$from][$to] = true;
                    }
                }
            }
        }

        return self::traced(array_filter($next), $at);
    }

    /**
     * @param array<string, non-empty-array<string, true>> $next where the rim goes on from each corner
     * @param array<string, array{float, float}> $at
     * @return list<non-empty-list<array{float, float}>>
     */
    private static function traced(array $next, array $at): array
    {
        $rings = [];
        while ($next !== []) {
            $start = $here = (string) array_key_first($next);
            $ring = [];
            do {
                $ring[] = $at[$here];
                $to = (string) array_key_first($next[$here] ?? []);
                unset($next[$here][$to]);
                if (($next[$here] ?? []) === []) {
                    unset($next[$here]);
                }
                $here = $to;
            } while ($here !== $start && isset($next[$here]));
            $rings[] = self::straightened($ring);
        }

        return array_values(array_filter($rings, static fn (array $ring): bool => count($ring) > 2));
    }

    /**
     * A ring without corners that are none: where two squares met on a straight rim.
     *
     * @param non-empty-list<array{float, float}> $ring
     * @return non-empty-list<array{float, float}>
     */
    private static function straightened(array $ring): array
    {
        $n = count($ring);
        $kept = [];
        foreach ($ring as $i => $point) {
            [$before, $after] = [$ring[($i + $n - 1) % $n], $ring[($i + 1) % $n]];
            $turn = ($point[0] - $before[0]) * ($after[1] - $point[1]) - ($point[1] - $before[1]) * ($after[0] - $point[0]);
            if (abs($turn) > self::SNAP) {
                $kept[] = $point;
            }
        }

        return count($kept) > 2 ? $kept : $ring;
    }

    /**
     * A ring run the way that its outer side asks for: anticlockwise round ground, clockwise round a hole.
     *
     * @param non-empty-list<array{float, float}> $ring
     * @return non-empty-list<array{float, float}>
     */
    private static function turned(array $ring, bool $isOuter): array
    {
        $twice = 0.0;
        foreach ($ring as $i => [$x, $y]) {
            [$toX, $toY] = $ring[($i + 1) % count($ring)];
            $twice += $x * $toY - $toX * $y;
        }

        return $twice > 0 === $isOuter ? $ring : array_reverse($ring);
    }

    /** @return list<Polygon> */
    private static function within(Polygon $polygon, Box $box): array
    {
        $rings = array_values($polygon->rings);
        $sides = [
            [self::EAST, $box->west, 1],
            [self::EAST, $box->east, -1],
            [self::NORTH, $box->south, 1],
            [self::NORTH, $box->north, -1],
        ];
        foreach ($sides as [$axis, $at, $side]) {
            $rings = self::half($rings, $axis, $at, $side);
        }

        return self::nested($rings);
    }

    /**
     * What of ground lies on one side of a line.
     *
     * @param list<non-empty-list<array{float, float}>> $rings
     * @param int $side 1 for more than the line, -1 for less
     * @return list<non-empty-list<array{float, float}>>
     */
    private static function half(array $rings, int $axis, float $at, int $side): array
    {
        $kept = $chains = $ends = [];
        foreach ($rings as $ring) {
            $depth = array_map(static function (array $point) use ($axis, $at, $side): float {
                $d = $side * ($point[$axis] - $at);

                return abs($d) < self::HAIR ? self::HAIR : $d;
            }, $ring);
            if (min($depth) > 0) {
                $kept[] = $ring;
            } elseif (max($depth) > 0) {
                array_push($chains, ...self::chains($ring, $depth));
            }
        }
        foreach ($chains as $i => $chain) {
            $ends[] = [$chain[0][1 - $axis], $i, true];
            $ends[] = [$chain[count($chain) - 1][1 - $axis], $i, false];
        }
        sort($ends);
        $partner = [];
        for ($i = 0; $i + 1 < count($ends); $i += 2) {
            [[, $a, $aStarts], [, $b, $bStarts]] = [$ends[$i], $ends[$i + 1]];
            $partner["{$a} ".($aStarts ? 's' : 'e')] = [$b, $bStarts];
            $partner["{$b} ".($bStarts ? 's' : 'e')] = [$a, $aStarts];
        }

        return [...$kept, ...self::joined($chains, $partner)];
    }

    /**
     * Stretches of a ring on the inner side, each from the line to the line.
     *
     * @param non-empty-list<array{float, float}> $ring
     * @param non-empty-list<float> $depth
     * @return list<non-empty-list<array{float, float}>>
     */
    private static function chains(array $ring, array $depth): array
    {
        $n = count($ring);
        $from = 0;
        while ($depth[$from] > 0) {
            $from++;
        }
        [$chains, $chain] = [[], []];
        for ($k = 1; $k <= $n; $k++) {
            [$i, $j] = [($from + $k - 1) % $n, ($from + $k) % $n];
            if ($depth[$i] > 0 !== $depth[$j] > 0) {
                $share = $depth[$i] / ($depth[$i] - $depth[$j]);
                $chain[] = [
                    $ring[$i][0] + $share * ($ring[$j][0] - $ring[$i][0]),
                    $ring[$i][1] + $share * ($ring[$j][1] - $ring[$i][1]),
                ];
            }
            if ($depth[$j] > 0) {
                $chain[] = $ring[$j];
            } elseif ($chain !== []) {
                $chains[] = $chain;
                $chain = [];
            }
        }

        return $chains;
    }

    /**
     * Stretches joined to rings along the line.
     *
     * @param list<non-empty-list<array{float, float}>> $chains
     * @param array<string, array{int, bool}> $partner the end that each end is joined to
     * @return list<non-empty-list<array{float, float}>>
     */
    private static function joined(array $chains, array $partner): array
    {
        $rings = $used = [];
        foreach (array_keys($chains) as $start) {
            [$ring, $i, $forward] = [[], $start, true];
            while (! isset($used[$i])) {
                $used[$i] = true;
                array_push($ring, ...$forward ? $chains[$i] : array_reverse($chains[$i]));
                [$i, $forward] = $partner["{$i} ".($forward ? 'e' : 's')] ?? [$start, true];
            }
            if (count($ring) > 2) {
                $rings[] = $ring;
            }
        }

        return $rings;
    }

    /**
     * Rings as polygons: one that lies in an odd number of others is a hole of the smallest of them.
     *
     * @param list<non-empty-list<array{float, float}>> $rings
     * @return list<Polygon>
     */
    private static function nested(array $rings): array
    {
        $alone = array_map(static fn (array $ring): Polygon => new Polygon([$ring]), $rings);
        $outer = $holes = [];
        foreach ($alone as $i => $one) {
            $around = array_filter(
                $alone,
                static fn (Polygon $other, int $j): bool => $j !== $i && $other->area() > $one->area() &&
                    $other->contains($one->rings[0][0][0], $one->rings[0][0][1]),
                ARRAY_FILTER_USE_BOTH,
            );
            if (count($around) % 2 === 0) {
                $outer[$i] = $one->rings[0];
            } else {
                uasort($around, static fn (Polygon $a, Polygon $b): int => $a->area() <=> $b->area());
                $holes[(int) array_key_first($around)][] = $one->rings[0];
            }
        }
        $polygons = [];
        foreach ($outer as $i => $ring) {
            $polygon = new Polygon([$ring, ...$holes[$i] ?? []]);
            if ($polygon->area() > self::LEAST_M2) {
                $polygons[] = $polygon;
            }
        }

        return $polygons;
    }

    /**
     * @param list<array{float, float}> $ring
     * @return non-empty-list<array{float, float}>
     */
    private static function open(array $ring): array
    {
        $open = count($ring) > 1 && $ring[0] === $ring[count($ring) - 1] ? array_slice($ring, 0, -1) : $ring;

        return $open === [] ? [[0.0, 0.0]] : $open;
    }
}
