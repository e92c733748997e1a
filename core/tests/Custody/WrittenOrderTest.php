<?php

declare(strict_types=1);

namespace HonestCore\Tests\Custody;

use HonestCore\Custody\WrittenOrder;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(WrittenOrder::class)]
final class WrittenOrderTest extends TestCase
{
    public function test_a_clock_that_goes_on_says_nothing(): void
    {
        self::assertSame([], WrittenOrder::backwards([]));
        self::assertSame([], WrittenOrder::backwards([4 => 1_000, 9 => 1_000, 12 => 5_000]));
        self::assertSame([], WrittenOrder::backwards([4 => 1_000, 9 => 1_000 - WrittenOrder::SLACK_S]), 'set right by a little');
    }

    public function test_every_line_behind_the_latest_time_is_named_in_whatever_order_they_come(): void
    {
        self::assertSame([9, 11], WrittenOrder::backwards([12 => 90_000, 11 => 49_000, 4 => 50_000, 9 => 10_000]));
        self::assertSame([2], WrittenOrder::backwards([1 => 1_000, 2 => 1_000 - WrittenOrder::SLACK_S - 1]));
    }
}
