<?php

declare(strict_types=1);

namespace HonestCore\Tests\Geometry;

use HonestCore\Geometry\RingCheck;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\TestCase;

/**
 * Rings on a small grid against shapely: see Reference/rings.py. Where a ring meets itself, the edges that are named
 * do meet.
 */
final class RingCheckTest extends TestCase
{
    public function test_a_ring_touches_itself_where_shapely_says_so(): void
    {
        $meeting = 0;
        foreach (ReferenceData::of('rings')['alone'] as ['ring' => $points, 'simple' => $simple]) {
            $ring = self::ring($points);
            $found = RingCheck::selfCrossing($ring);
            self::assertSame($simple, $found === null, (string) json_encode($points));
            self::assertSame(
                $simple,
                RingCheck::selfCrossing(array_reverse($ring)) === null,
                'the other way round too',
            );
            if ($found !== null) {
                $meeting++;
                [$i, $j] = [$found[0] - 1, $found[1] - 1];
                self::assertGreaterThan($i, $j);
                self::assertLessThan(
                    1e-9,
                    self::apart(
                        [$ring[$i], $ring[($i + 1) % count($ring)]],
                        [$ring[$j], $ring[($j + 1) % count($ring)]],
                    ),
                    'the two edges meet',
                );
            }
        }
        self::assertGreaterThan(300, $meeting);
    }

    public function test_two_rings_cross_where_shapely_says_so(): void
    {
        foreach (ReferenceData::of('rings')['both'] as ['one' => $one, 'other' => $other, 'cross' => $cross]) {
            self::assertSame(
                $cross,
                RingCheck::cross(self::ring($one), self::ring($other)),
                (string) json_encode([$one, $other]),
            );
            self::assertSame($cross, RingCheck::cross(self::ring($other), self::ring($one)));
        }
    }

    /**
     * @param list<array{int, int}> $points
     * @return non-empty-list<array{float, float}>
     */
    private static function ring(array $points): array
    {
        $ring = array_map(static fn (array $point): array => [(float) $point[0], (float) $point[1]], $points);

        return $ring === [] ? self::fail('no ring') : $ring;
    }

    /**
     * The least distance of two edges: at an end of one of them, or nothing where they cross.
     *
     * @param array{array{float, float}, array{float, float}} $one
     * @param array{array{float, float}, array{float, float}} $other
     */
    private static function apart(array $one, array $other): float
    {
        $side = static fn (array $edge, array $p): float => ($edge[1][0] - $edge[0][0]) * ($p[1] - $edge[0][1]) -
            ($edge[1][1] - $edge[0][1]) * ($p[0] - $edge[0][0]);
        if (
            $side($one, $other[0]) * $side($one, $other[1]) < 0 &&
            $side($other, $one[0]) * $side($other, $one[1]) < 0
        ) {
            return 0.0;
        }
        $to = static function (array $p, array $edge): float {
            [$ux, $uy] = [$edge[1][0] - $edge[0][0], $edge[1][1] - $edge[0][1]];
            $t = max(
                0.0,
                min(1.0, (($p[0] - $edge[0][0]) * $ux + ($p[1] - $edge[0][1]) * $uy) / ($ux * $ux + $uy * $uy)),
            );

            return hypot($p[0] - $edge[0][0] - $t * $ux, $p[1] - $edge[0][1] - $t * $uy);
        };

        return min($to($one[0], $other), $to($one[1], $other), $to($other[0], $one), $to($other[1], $one));
    }
}
