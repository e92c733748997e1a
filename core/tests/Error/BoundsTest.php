<?php

declare(strict_types=1);

namespace HonestCore\Tests\Error;

use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class BoundsTest extends TestCase
{
    /** @return iterable<string, array{float|int|null, bool, bool}> value, inside the closed and the open bounds */
    public static function values(): iterable
    {
        yield 'the lower bound' => [3.0, true, false];
        yield 'the upper bound' => [10, true, false];
        yield 'between them' => [6.5, true, true];
        yield 'below' => [2.999999, false, false];
        yield 'above' => [10.000001, false, false];
        yield 'no number' => [NAN, false, false];
        yield 'without end' => [INF, false, false];
        yield 'not known' => [null, true, true];
    }

    #[DataProvider('values')]
    public function test_closed_bounds_belong_to_what_is_accepted_and_open_ones_do_not(
        float|int|null $value,
        bool $closed,
        bool $open,
    ): void {
        self::assertSame($closed, self::accepts(static fn () => Bounds::within('ph', $value, 3, 10)));
        self::assertSame($open, self::accepts(static fn () => Bounds::between('ph', $value, 3, 10)));
    }

    public function test_an_endless_number_is_refused_even_where_there_is_no_upper_bound(): void
    {
        self::assertFalse(self::accepts(static fn () => Bounds::within('depth_water', INF, 0, INF)));
    }

    public function test_a_refusal_carries_its_facts_and_says_them(): void
    {
        try {
            Bounds::within('depth_water', -2.5, 0.0, 100.0, ['unit' => 'cm']);
            self::fail('A depth below the surface was accepted.');
        } catch (ValueOutOfRange $refused) {
            self::assertSame('The depth of water must be above 0 to 100 cm, -2.5 cm given.', $refused->getMessage());
            self::assertSame(['value_out_of_range', 'depth_water'], [$refused->errorCode(), $refused->reason()]);
            self::assertSame(['value' => -2.5, 'low' => 0.0, 'high' => 100.0, 'unit' => 'cm'], $refused->facts);
        }
    }

    /** @param callable(): void $check */
    private static function accepts(callable $check): bool
    {
        try {
            $check();

            return true;
        } catch (ValueOutOfRange) {
            return false;
        }
    }
}
