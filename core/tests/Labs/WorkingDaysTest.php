<?php

declare(strict_types=1);

namespace HonestCore\Tests\Labs;

use DateTimeImmutable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Labs\WorkingDays;
use PHPUnit\Framework\TestCase;

final class WorkingDaysTest extends TestCase
{
    public function test_weekends_and_holidays_do_not_count(): void
    {
        // 1 Apr 2026 is a Wednesday; Good Friday the 3rd and Easter Monday the 6th.
        $days = WorkingDays::without(['2026-04-03', '2026-04-06']);

        self::assertSame('2026-04-02', $days->after(new DateTimeImmutable('2026-04-01'), 1)->format('Y-m-d'));
        self::assertSame('2026-04-07', $days->after(new DateTimeImmutable('2026-04-01 23:00'), 2)->format('Y-m-d'));
        self::assertSame('2026-04-01', $days->after(new DateTimeImmutable('2026-04-01'), 0)->format('Y-m-d'));
        self::assertSame(
            [2, -2, 0],
            [
                $days->between(new DateTimeImmutable('2026-04-01'), new DateTimeImmutable('2026-04-07')),
                $days->between(new DateTimeImmutable('2026-04-07'), new DateTimeImmutable('2026-04-01')),
                $days->between(new DateTimeImmutable('2026-04-04'), new DateTimeImmutable('2026-04-06')),
            ],
        );
    }

    public function test_after_and_between_undo_each_other(): void
    {
        $days = WorkingDays::without(['2026-12-25', '2027-01-01']);
        $from = new DateTimeImmutable('2026-12-21');
        foreach (range(1, 30) as $count) {
            self::assertSame($count, $days->between($from, $days->after($from, $count)));
        }
        $this->expectException(ValueOutOfRange::class);
        $days->after($from, 401);
    }
}
