<?php

declare(strict_types=1);

namespace HonestCore\Tests\Custody;

use HonestCore\Custody\CustodyTrail;
use HonestCore\Custody\StorageClock;
use HonestCore\Custody\TrailLine;
use PHPUnit\Framework\TestCase;

/** Times in hours after the pull. */
final class StorageClockTest extends TestCase
{
    private const H = 3600;

    private const PULLED = 1_700_000_000;

    public function test_warm_nitrate_has_a_day(): void
    {
        $clock = $this->clock(['nitrate'], [['split', 1]], 6);

        self::assertEqualsWithDelta(0.25, $clock->usedShare, 1e-9);
        self::assertSame(self::PULLED + 24 * self::H, $clock->deadline);
        self::assertFalse($clock->over);
    }

    public function test_chilled_it_has_twice_as_long_for_what_is_left(): void
    {
        // 6 h warm use a quarter; three quarters of 48 h are 36 h.
        $clock = $this->clock(['nitrate'], [['split', 0], ['chilled', 6]], 10);

        self::assertSame(self::PULLED + 42 * self::H, $clock->deadline);
        self::assertSame(
            self::PULLED + 42 * self::H,
            $this->clock(['nitrate'], [['split', 0], ['chilled', 6], ['packed', 8], ['sent', 9]], 10)->deadline,
            'it stays cold in its consignment',
        );
    }

    public function test_a_fridge_that_is_too_warm_is_no_fridge(): void
    {
        $clock = $this->clock(['nitrate'], [['split', 0], ['chilled', 0], ['checked', 12, 11.0]], 12);

        self::assertSame(
            self::PULLED + 30 * self::H,
            $clock->deadline,
            '12 h chilled use a quarter, 18 h warm the rest',
        );
    }

    public function test_frozen_or_at_the_lab_the_clock_stands_still(): void
    {
        foreach (
            [[['split', 0], ['frozen', 12]], [['split', 0], ['packed', 1], ['sent', 2], ['arrived', 12]]] as $way
        ) {
            $clock = $this->clock(['nitrate', 'ph'], $way, 900);
            self::assertEqualsWithDelta(0.5, $clock->usedShare, 1e-9);
            self::assertNull($clock->deadline);
            self::assertFalse($clock->over);
        }
        self::assertTrue(
            $this->clock(['nitrate'], [['split', 0], ['chilled', 30]], 31)->over,
            'a day warm is a day gone',
        );
    }

    public function test_dried_on_paper_it_is_no_nitrate_sample_any_more(): void
    {
        $clock = $this->clock(['nitrate'], [['split', 0], ['drying', 1], ['dried', 14]], 15);

        self::assertTrue($clock->over);
        self::assertStringContainsString('drying changes nitrate', $clock->rule);
    }

    public function test_routine_soil_keeps_when_dry_and_is_to_be_spread_within_a_day(): void
    {
        $moist = $this->clock(['ph'], [['split', 0]], 25);
        self::assertTrue($moist->soon);
        self::assertSame(self::PULLED + 24 * self::H, $moist->deadline);
        $dry = $this->clock(['ph'], [['split', 0], ['drying', 2], ['dried', 20]], 900);
        self::assertSame(
            [null, 'Keeps when dry.', false, false, null],
            [$dry->deadline, $dry->rule, $dry->over, $dry->soon, $dry->usedShare],
        );
        self::assertFalse($moist->over, 'moist soil is late, not lost');
        self::assertEqualsWithDelta(25 / 24, $moist->usedShare, 1e-9);
        self::assertSame(
            [false, true],
            [$this->clock(['ph'], [['split', 0]], 23)->soon, $this->clock(['ph'], [['split', 0]], 24)->soon],
        );
    }

    public function test_drying_takes_twelve_to_twenty_four_hours(): void
    {
        $drying = StorageClock::drying($this->trail([['split', 0], ['drying', 2]], 5));
        self::assertSame(['ready' => self::PULLED + 14 * self::H, 'over' => self::PULLED + 26 * self::H], $drying);
        self::assertStringContainsString('It dried 3.5 h; 12 to 24 h', StorageClock::afterDrying(12_600));
        self::assertSame('', StorageClock::afterDrying(12 * self::H));
    }

    /**
     * @param list<string> $tests
     * @param list<array{string, int, 2?: float}> $way
     */
    private function clock(array $tests, array $way, int $nowH): StorageClock
    {
        return StorageClock::of($tests, $this->trail($way, $nowH), self::PULLED, self::PULLED + $nowH * self::H);
    }

    /** @param list<array{string, int, 2?: float}> $way */
    private function trail(array $way, int $nowH): CustodyTrail
    {
        return CustodyTrail::replay(
            'X',
            array_map(
                static fn (array $one, int $i): TrailLine => new TrailLine(
                    "e{$i}",
                    $one[0],
                    self::PULLED + $one[1] * self::H,
                    celsius: $one[2] ?? null,
                ),
                $way,
                array_keys($way),
            ),
            self::PULLED + $nowH * self::H,
        );
    }
}
