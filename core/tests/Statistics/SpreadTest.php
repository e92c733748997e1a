<?php

declare(strict_types=1);

namespace HonestCore\Tests\Statistics;

use HonestCore\Statistics\Fewest;
use HonestCore\Statistics\Root;
use HonestCore\Statistics\Spread;
use PHPUnit\Framework\TestCase;

final class SpreadTest extends TestCase
{
    public function test_mean_median_and_deviation_of_a_small_set(): void
    {
        $values = [2.0, 4.0, 4.0, 4.0, 5.0, 5.0, 7.0, 9.0];

        self::assertSame(5.0, Spread::mean($values));
        self::assertSame(4.5, Spread::median($values));
        self::assertEqualsWithDelta(sqrt(32 / 7), Spread::standardDeviation($values), 1e-15);
    }

    public function test_one_value_has_no_deviation(): void
    {
        self::assertNull(Spread::standardDeviation([6.1]));
    }

    public function test_spread_survives_a_large_offset(): void
    {
        $near = [1.0, 2.0, 3.0, 4.0];
        $far = array_map(static fn (float $v): float => $v + 1e8, $near);

        self::assertEqualsWithDelta(Spread::standardDeviation($near), Spread::standardDeviation($far), 1e-7);
    }

    public function test_the_median_does_not_depend_on_the_order(): void
    {
        self::assertSame(Spread::median([3.0, 1.0, 2.0]), Spread::median([2.0, 3.0, 1.0]));
    }

    public function test_a_root_is_found_where_the_sign_changes(): void
    {
        self::assertEqualsWithDelta(M_SQRT2, Root::between(static fn (float $x): float => $x * $x - 2, 0.0, 2.0), 1e-12);
    }

    /** Flat roots, steep ones, roots at an end and far apart ends: found to the last digits. */
    public function test_a_root_is_found_whatever_the_shape(): void
    {
        foreach (
            [
                [static fn (float $x): float => $x ** 2 - 2, 0.0, 2.0, M_SQRT2],
                [static fn (float $x): float => ($x - 1) ** 3, -5.0, 4.0, 1.0],
                [static fn (float $x): float => exp($x) - 1e6, -100.0, 100.0, log(1e6)],
                [static fn (float $x): float => atan(1e6 * ($x - 0.123)), -1.0, 50.0, 0.123],
                [static fn (float $x): float => 3 - $x, 3.0, 9.0, 3.0],
                [static fn (float $x): float => 9 - $x, 3.0, 9.0, 9.0],
                [static fn (float $x): float => $x < 0.7 ? -1.0 : 2.0, 0.0, 1.0, 0.7],
            ] as $i => [$function, $low, $high, $root]
        ) {
            $calls = 0;
            $counted = static function (float $x) use ($function, &$calls): float {
                $calls++;

                return $function($x);
            };
            self::assertEqualsWithDelta(
                $root,
                Root::between($counted, $low, $high),
                $i === 1 ? 1e-5 : 1e-12,
                "function {$i}",
            );
            self::assertLessThan(160, $calls, "function {$i}");
        }
    }

    public function test_fewest_asks_seldom_and_never_overshoots(): void
    {
        foreach ([0, 1, 2, 3, 7, 8, 9, 1000, 123_457] as $answer) {
            $asked = 0;
            $found = Fewest::from(0, static function (int $n) use ($answer, &$asked): bool {
                $asked++;

                return $n >= $answer;
            });
            self::assertSame($answer, $found);
            self::assertLessThanOrEqual(3 + 2 * ceil(log(max(2, $answer), 2)), $asked);
        }
        self::assertSame(5, Fewest::from(5, static fn (int $n): bool => $n >= 2), 'never below where it begins');
    }

    public function test_fewest_is_the_first_number_for_which_it_holds(): void
    {
        self::assertSame(12, Fewest::from(3, static fn (int $n): bool => $n * $n >= 140));
        self::assertSame(3, Fewest::from(3, static fn (int $n): bool => true));
    }
}
