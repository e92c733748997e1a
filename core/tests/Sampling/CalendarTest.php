<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Error\CoreError;
use HonestCore\Sampling\BackwardCalendar;
use HonestCore\Sampling\ICalendarFile;
use HonestCore\Sampling\SpreadFromComposites;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(BackwardCalendar::class)]
#[CoversClass(ICalendarFile::class)]
final class CalendarTest extends TestCase
{
    /**
     * By hand: lime on Thu 15 Oct 2026; report 1 Oct; ten working days before it 17 Sep; three days 14 Sep; two days
     * 12 Sep.
     */
    public function test_backwards_from_the_lime(): void
    {
        $calendar = BackwardCalendar::before(
            new \DateTimeImmutable('2026-10-15'),
            new \DateTimeImmutable('2026-08-01'),
        );

        self::assertSame(
            [
                'pull' => '2026-09-12',
                'send' => '2026-09-14',
                'arrive' => '2026-09-17',
                'report' => '2026-10-01',
                'lime' => '2026-10-15',
            ],
            array_map(
                static fn (\DateTimeImmutable $on): string => $on->format('Y-m-d'),
                array_column($calendar->steps, 'on', 'code'),
            ),
        );
        self::assertSame([], $calendar->warnings());
    }

    public function test_a_day_that_cannot_be_met_says_so_and_gives_the_earliest(): void
    {
        $today = new \DateTimeImmutable('2026-09-20');
        $calendar = BackwardCalendar::before(new \DateTimeImmutable('2026-10-01'), $today);

        self::assertStringContainsString('cannot be met', $calendar->warnings()[0]);
        self::assertSame([], BackwardCalendar::before($calendar->earliestLimeOn, $today)->warnings());
        self::assertNotSame(
            [],
            BackwardCalendar::before($calendar->earliestLimeOn->modify('-3 days'), $today)->warnings(),
        );
    }

    public function test_spring_lime_is_pointed_out_and_days_without_end_are_refused(): void
    {
        self::assertStringContainsString(
            'Autumn leaves it the winter',
            implode(
                ' ',
                BackwardCalendar::before(
                    new \DateTimeImmutable('2027-04-10'),
                    new \DateTimeImmutable('2026-09-20'),
                )->warnings(),
            ),
        );
        $this->expectException(CoreError::class);
        BackwardCalendar::before(new \DateTimeImmutable('2027-04-10'), new \DateTimeImmutable('2026-09-20'), 1000);
    }

    /** RFC 5545: CRLF, lines of 75 octets at most, folded lines begin with a blank, commas escaped. */
    public function test_the_file_follows_the_standard(): void
    {
        $name = 'Überlanger Acker, “am Wald”; '.str_repeat('weit hinten ', 8);
        $steps = BackwardCalendar::before(new \DateTimeImmutable('2026-10-15'), new \DateTimeImmutable('2026-08-01'))
            ->steps;
        $text = ICalendarFile::of($name, 'plan-7', $steps, new \DateTimeImmutable('2026-08-01T10:00:00+02:00'));
        $lines = explode("\r\n", rtrim($text, "\r\n"));

        self::assertStringEndsWith("END:VCALENDAR\r\n", $text);
        self::assertStringNotContainsString("\n", str_replace("\r\n", '', $text));
        self::assertLessThanOrEqual(75, max(array_map(strlen(...), $lines)));
        $unfolded = str_replace("\r\n ", '', $text);
        self::assertSame(5, substr_count($unfolded, 'BEGIN:VEVENT'));
        self::assertStringContainsString('SUMMARY:Lime on: Überlanger Acker\, “am Wald”\; weit hinten', $unfolded);
        self::assertStringContainsString("DTSTART;VALUE=DATE:20261015\r\nDTEND;VALUE=DATE:20261016\r\n", $unfolded);
        self::assertStringContainsString('DTSTAMP:20260801T080000Z', $unfolded);
        self::assertCount(
            5,
            array_unique(
                array_filter(explode("\r\n", $unfolded), static fn (string $l): bool => str_starts_with($l, 'UID:')),
            ),
        );
    }

    /** By hand: composites of 9 cores that scatter by 0.1 speak of a spread of 0.3 between cores. */
    public function test_spread_between_cores_from_composites(): void
    {
        $composites = array_map(static fn (float $ph): array => ['value' => $ph, 'cores' => 9], [6.0, 6.1, 6.2]);

        self::assertEqualsWithDelta(0.3, SpreadFromComposites::of($composites, 0.0), 1e-9);
        self::assertEqualsWithDelta(sqrt((0.01 - 0.0036) * 9), SpreadFromComposites::of($composites, 0.06), 1e-9);
        self::assertNull(SpreadFromComposites::of($composites, 0.2), 'the lab alone explains them');
        self::assertNull(SpreadFromComposites::of(array_slice($composites, 1), 0.0));
    }
}
