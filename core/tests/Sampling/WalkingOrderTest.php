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
