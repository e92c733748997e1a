<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Ground;
use HonestCore\Geometry\Intervals;

/**
 * Ground parted into blocks of equal area, as square as it allows, one core in each.
 *
 * Quantity and unit: metres on a local plane; blocks row by row, to and fro.
 * Variant: the middle of each block gives a grid, a random place in each a stratified random sample. Rows are
 *   cut at shares of the area from south to north, each row at shares of its area from west to east.
 * Source: stratified sampling with equal strata, Cochran 1977, Sampling Techniques, chapter 5.
 */
final class EqualBlocks
{
    private const BISECTIONS = 60;

    private const TRIES = 200;

    /** @return list<array{float, float}> */
    public static function lay(Ground $ground, Strips $strips, int $cores, ?Draw $draw): array
    {
        $points = [];
        foreach (self::rows($strips, self::counts($strips, $cores)) as $r => [$count, $pieces]) {
            $cuts = self::cuts($pieces, $count);
            $row = [];
            for ($k = 0; $k < $count; $k++) {
                $block = self::between($pieces, $cuts[$k], $cuts[$k + 1]);
                if ($block !== []) {
                    $row[] = $draw === null ? self::middle($ground, $block) : self::anywhere($ground, $block, $draw);
                }
            }
            array_push($points, ...$r % 2 === 0 ? $row : array_reverse($row));
        }

        return $points;
    }

    /** @return list<int> blocks in each row */
    private static function counts(Strips $strips, int $cores): array
    {
        $used = array_filter($strips->strips, static fn (array $strip): bool => $strip['spans'] !== []);
        $height = array_sum(array_column($used, 'height'));
        $rows = (int) max(1, min($cores, round(sqrt(($cores * $height * $height) / max(1e-9, $strips->areaM2())))));
        $counts = [];
        for ($r = 0; $r < $rows; $r++) {
            $counts[] = intdiv($cores * ($r + 1), $rows) - intdiv($cores * $r, $rows);
        }

        return $counts;
    }

    /**
     * @param list<int> $counts
     * @return list<array{int, list<array{y: float, height: float, spans: list<array{float, float}>}>}>
     */
    private static function rows(Strips $strips, array $counts): array
    {
        $unit = $strips->areaM2() / array_sum($counts);
        $rows = [];
        [$r, $pieces, $room] = [0, [], $unit * $counts[0]];
        foreach ($strips->strips as ['y' => $y, 'height' => $height, 'spans' => $spans]) {
            $length = Intervals::length($spans);
            while ($length > 0 && $height * $length > $room && $r < count($counts) - 1) {
                $part = $room / $length;
                $pieces[] = ['y' => $y, 'height' => $part, 'spans' => $spans];
                $rows[] = [$counts[$r], $pieces];
                $height -= $part;
                [$pieces, $room] = [[], $unit * $counts[++$r]];
            }
            if ($length > 0) {
                $pieces[] = ['y' => $y, 'height' => $height, 'spans' => $spans];
                $room -= $height * $length;
            }
        }
        $rows[] = [$counts[$r], $pieces];

        return $rows;
    }

    /**
     * Eastings that cut a row into equal areas.
     *
     * @param list<array{y: float, height: float, spans: list<array{float, float}>}> $pieces
     * @return list<float>
     */
    private static function cuts(array $pieces, int $count): array
    {
        [$west, $east] = [INF, -INF];
        foreach ($pieces as ['spans' => $spans]) {
            foreach ($spans as [$a, $b]) {
                $west = min($west, $a);
                $east = max($east, $b);
            }
        }
        $total = self::area($pieces, $east);
        $cuts = [$west];
        for ($k = 1; $k < $count; $k++) {
            [$low, $high] = [$cuts[$k - 1], $east];
            for ($i = 0; $i < self::BISECTIONS && $high - $low > 1e-6; $i++) {
                $middle = ($low + $high) / 2;
                self::area($pieces, $middle) < ($total * $k) / $count ? ($low = $middle) : ($high = $middle);
            }
            $cuts[] = ($low + $high) / 2;
        }
        $cuts[] = $east;

        return $cuts;
    }

    /** @param list<array{y: float, height: float, spans: list<array{float, float}>}> $pieces */
    private static function area(array $pieces, float $east): float
    {
        $area = 0.0;
        foreach ($pieces as ['height' => $height, 'spans' => $spans]) {
            foreach ($spans as [$a, $b]) {
                $area += $height * max(0.0, min($b, $east) - $a);
            }
        }

        return $area;
    }

    /**
     * @param list<array{y: float, height: float, spans: list<array{float, float}>}> $pieces
     * @return list<array{float, float, float, float}> west, east, y, height
     */
    private static function between(array $pieces, float $west, float $east): array
    {
        $block = [];
        foreach ($pieces as ['y' => $y, 'height' => $height, 'spans' => $spans]) {
            foreach ($spans as [$a, $b]) {
                if (min($b, $east) > max($a, $west)) {
                    $block[] = [max($a, $west), min($b, $east), $y, $height];
                }
            }
        }

        return $block;
    }

    /**
     * The block's centroid, or where that is not usable the usable place nearest to it.
     *
     * @param non-empty-list<array{float, float, float, float}> $block
     * @return array{float, float}
     */
    private static function middle(Ground $ground, array $block): array
    {
        [$area, $x, $y] = [0.0, 0.0, 0.0];
        foreach ($block as [$a, $b, $at, $height]) {
            $piece = $height * ($b - $a);
            $area += $piece;
            $x += ($piece * ($a + $b)) / 2;
            $y += $piece * $at;
        }
        [$x, $y] = [$x / $area, $y / $area];
        if ($ground->contains($x, $y)) {
            return [$x, $y];
        }
        [$best, $nearest] = [[($block[0][0] + $block[0][1]) / 2, $block[0][2]], INF];
        foreach ($block as [$a, $b, $at]) {
            $edge = ($b - $a) * 0.05;
            $px = max($a + $edge, min($b - $edge, $x));
            $distance = hypot($px - $x, $at - $y);
            if ($distance < $nearest) {
                [$best, $nearest] = [[$px, $at], $distance];
            }
        }

        return $best;
    }

    /**
     * @param non-empty-list<array{float, float, float, float}> $block
     * @return array{float, float}
     */
    private static function anywhere(Ground $ground, array $block, Draw $draw): array
    {
        $total = array_sum(array_map(static fn (array $p): float => ($p[1] - $p[0]) * $p[3], $block));
        for ($i = 0; $i < self::TRIES; $i++) {
            [$a, $b, $y, $height] = self::piece($block, $draw->share() * $total);
            $place = [$draw->between($a, $b), $y + $draw->between(-0.5, 0.5) * $height];
            if ($ground->contains(...$place)) {
                return $place;
            }
        }
        [$a, $b, $y] = self::piece($block, $draw->share() * $total);

        return [$draw->between($a, $b), $y];
    }

    /**
     * @param non-empty-list<array{float, float, float, float}> $block
     * @return array{float, float, float, float}
     */
    private static function piece(array $block, float $area): array
    {
        foreach ($block as $piece) {
            $area -= ($piece[1] - $piece[0]) * $piece[3];
            if ($area <= 0) {
                return $piece;
            }
        }

        return $block[count($block) - 1];
    }
}
