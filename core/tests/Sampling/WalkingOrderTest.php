<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Sampling\WalkingOrder;
use HonestCore\Sampling\WalkTime;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WalkingOrderTest extends TestCase
{
    /** @return iterable<string, array{list<array{float, float}>, float}> */
    public static function sets(): iterable
    {
        foreach (ReferenceData::of('walks')['sets'] as $i => $set) {
            yield "set {$i}, ".count($set['places']).' places, shortest by integer programming' => [
                array_values(
                    array_map(static fn (array $p): array => [(float) $p[0], (float) $p[1]], (array) $set['places']),
                ),
                (float) $set['shortest'],
            ];
        }
    }

    /** @param list<array{float, float}> $places */
    #[DataProvider('sets')]
    public function test_the_walk_is_within_5_percent_of_the_shortest(array $places, float $shortest): void
    {
        $length = WalkingOrder::length(WalkingOrder::of($places));

        self::assertGreaterThanOrEqual($shortest - 1e-3, $length, 'nothing is shorter than the shortest');
        self::assertLessThanOrEqual(1.05 * $shortest, $length);
    }

    /** @return iterable<string, array{list<array{float, float}>, float, float}> */
    public static function longSets(): iterable
    {
        foreach (ReferenceData::of('long-walks')['sets'] as $i => $set) {
            yield "set {$i}, ".count($set['places']).' places, best by integer programming over near places' => [
                array_values(
                    array_map(static fn (array $p): array => [(float) $p[0], (float) $p[1]], (array) $set['places']),
                ),
                (float) $set['best'],
                (float) $set['bound'],
            ];
        }
    }

    /** @param list<array{float, float}> $places */
    #[DataProvider('longSets')]
    public function test_long_walks_are_within_5_percent_of_the_best_known(array $places, float $best, float $bound): void
    {
        $length = WalkingOrder::length(WalkingOrder::of($places));

        self::assertGreaterThanOrEqual(0.99 * $bound, $length);
        self::assertLessThanOrEqual(1.05 * $best, $length);
    }

    /** Stands for a plan of very many cores in one composite: each is walked once, and the walk is as long as theory has it. */
    public function test_a_thousand_places_from_a_gate(): void
    {
        mt_srand(11);
        $places = array_map(static fn (): array => [mt_rand(0, 30_000) / 100, mt_rand(0, 30_000) / 100], range(1, 1000));
        $walk = WalkingOrder::of($places, [-20.0, 150.0]);
        $key = static fn (array $p): string => "{$p[0]} {$p[1]}";
        $walked = array_map($key, $walk);
        $wanted = array_map($key, $places);
        sort($walked);
        sort($wanted);

        self::assertSame($wanted, $walked);
        self::assertSame($walk, WalkingOrder::of($places, [-20.0, 150.0]), 'the same places give the same walk');
        // 0.7124 sqrt(n A) is what the shortest round trip through many even places tends to (Johnson & McGeoch 1997, from memory).
        self::assertEqualsWithDelta(0.7124 * sqrt(1000 * 90_000), WalkingOrder::length($walk), 0.08 * 0.7124 * sqrt(1000 * 90_000));
    }

    public function test_places_on_a_line_and_on_one_spot_are_walked_too(): void
    {
        $line = array_map(static fn (int $i): array => [(float) (7 * $i % 31), 0.0], range(0, 30));
        self::assertEqualsWithDelta(30.0, WalkingOrder::length(WalkingOrder::of($line)), 1e-9);
        $spot = array_fill(0, 12, [5.0, 5.0]);
        self::assertSame($spot, WalkingOrder::of($spot, [0.0, 0.0]));
    }

    /** @param list<array{float, float}> $places */
    #[DataProvider('sets')]
    public function test_every_place_is_walked_once_from_wherever_it_starts(array $places, float $shortest): void
    {
        $key = static fn (array $p): string => "{$p[0]} {$p[1]}";
        $wanted = array_map($key, $places);
        sort($wanted);
        foreach ([null, [0.0, 0.0], [400.0, 400.0]] as $start) {
            $walked = array_map($key, WalkingOrder::of($places, $start));
            sort($walked);
            self::assertSame($wanted, $walked);
        }
    }

    public function test_it_begins_near_the_gate(): void
    {
        $places = [[0.0, 0.0], [10.0, 0.0], [20.0, 0.0], [30.0, 0.0]];

        self::assertSame([30.0, 0.0], WalkingOrder::of($places, [40.0, 0.0])[0]);
        self::assertSame([0.0, 0.0], WalkingOrder::of($places, [-40.0, 0.0])[0]);
        self::assertSame([[5.0, 5.0]], WalkingOrder::of([[5.0, 5.0]], [0.0, 0.0]));
    }

    /** By hand: 1 km at 4 km/h and 20 cores of two layers at 30 s. */
    public function test_minutes_by_hand(): void
    {
        self::assertEqualsWithDelta(15 + 20, WalkTime::minutes(1000, 20, 2, 4, 30), 1e-9);
        $this->expectExceptionMessage('above 0 and up to 60');
        WalkTime::minutes(1000, 20, 1, 0.0);
    }
}
