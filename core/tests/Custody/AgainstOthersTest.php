<?php

declare(strict_types=1);

namespace HonestCore\Tests\Custody;

use DateTimeImmutable;
use HonestCore\Custody\CheckCharacter;
use HonestCore\Custody\CustodyTrail;
use HonestCore\Custody\StorageClock;
use HonestCore\Custody\TrailLine;
use HonestCore\Labs\WorkingDays;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\TestCase;

/** Working days, check characters and storage clocks against other programs; see Reference/custody.py. */
final class AgainstOthersTest extends TestCase
{
    private const PULLED = 1_750_000_000;

    public function test_working_days_are_those_of_a_business_day_calendar(): void
    {
        /**
         * @var list<array{day: string, holidays: list<string>, count: int, after: string, later: string,
         * between: int}> $cases
         */
        $cases = ReferenceData::of('custody')['working_days'];
        self::assertCount(150, $cases);
        foreach ($cases as $case) {
            $days = WorkingDays::without($case['holidays']);
            $from = new DateTimeImmutable($case['day']);
            self::assertSame(
                $case['after'],
                $days->after($from, $case['count'])->format('Y-m-d'),
                "{$case['count']} after {$case['day']}",
            );
            self::assertSame(
                $case['between'],
                $days->between($from, new DateTimeImmutable($case['later'])),
                "{$case['day']} to {$case['later']}",
            );
        }
    }

    public function test_check_characters_are_those_of_another_implementation_of_the_standard(): void
    {
        /** @var list<array{string, string}> $cases */
        $cases = ReferenceData::of('custody')['check_characters'];
        self::assertCount(200, $cases);
        foreach ($cases as [$stem, $character]) {
            self::assertSame($character, CheckCharacter::of($stem), $stem);
            self::assertTrue(CheckCharacter::fits($stem.$character));
        }
    }

    public function test_what_is_used_up_is_the_sum_over_every_minute(): void
    {
        /** @var list<array{steps: list<array{string, float, float|null}>, now: float, used: float}> $cases */
        $cases = ReferenceData::of('custody')['clocks'];
        self::assertCount(80, $cases);
        foreach ($cases as $i => $case) {
            $at = static fn (float $hours): int => self::PULLED + (int) round($hours * 3600);
            $events = array_map(
                static fn (array $step, int $n): TrailLine => new TrailLine(
                    "e{$n}",
                    $step[0],
                    $at($step[1]),
                    celsius: $step[2],
                ),
                $case['steps'],
                array_keys($case['steps']),
            );
            $trail = CustodyTrail::replay('X', $events, $at($case['now']));
            $clock = StorageClock::of(['nitrate'], $trail, self::PULLED, $at($case['now']));
            self::assertNotNull($clock->usedShare);
            self::assertEqualsWithDelta($case['used'], $clock->usedShare, 2e-3, "trail {$i}");
            self::assertSame($clock->usedShare >= 1, $clock->over);
            if ($clock->deadline !== null && $clock->usedShare < 1) {
                $later = StorageClock::of(['nitrate'], $trail, self::PULLED, $clock->deadline);
                self::assertEqualsWithDelta(1.0, $later->usedShare, 1e-4, 'at its deadline the time is used up');
            }
        }
    }
}
