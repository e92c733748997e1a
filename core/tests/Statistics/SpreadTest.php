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

    public function test_fewest_is_the_first_number_for_which_it_holds(): void
    {
        self::assertSame(12, Fewest::from(3, static fn (int $n): bool => $n * $n >= 140));
        self::assertSame(3, Fewest::from(3, static fn (int $n): bool => true));
    }
}
