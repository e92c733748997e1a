<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Practice\Chance;
use HonestCore\Statistics\Normal;
use HonestCore\Statistics\Spread;
use PHPUnit\Framework\TestCase;

/** Draws are normal, and happen as often as asked. */
final class ChanceTest extends TestCase
{
    public function test_draws_have_the_distribution_asked_for_and_come_again_from_their_seed(): void
    {
        $chance = Chance::of(3);
        $values = [];
        $happened = 0;
        for ($i = 0; $i < 20000; $i++) {
            $values[] = $chance->normal(6.0, 0.5);
            $happened += $chance->happens(0.2) ? 1 : 0;
        }
        self::assertEqualsWithDelta(6.0, Spread::mean($values), 0.015);
        self::assertEqualsWithDelta(0.5, Spread::standardDeviation($values), 0.01);
        self::assertEqualsWithDelta(0.2, $happened / 20000, 0.01);
        foreach ([5.2, 5.8, 6.0, 6.4, 7.0] as $at) {
            $below = count(array_filter($values, static fn (float $one): bool => $one <= $at)) / 20000;
            self::assertEqualsWithDelta(Normal::cdf(($at - 6.0) / 0.5), $below, 0.012, "{$at}");
        }
        self::assertSame($values[0], Chance::of(3)->normal(6.0, 0.5));
    }

    public function test_draws_of_one_name_are_its_own(): void
    {
        $of = static fn (int $seed, string $what): float => Chance::named($seed, $what)->draw->share();
        self::assertSame($of(1, 'kit'), $of(1, 'kit'));
        self::assertCount(400, array_unique([
            ...array_map(static fn (int $seed): float => $of($seed, 'kit'), range(1, 200)),
            ...array_map(static fn (int $seed): float => $of($seed, 'lab'), range(1, 200)),
        ]));
    }
}
