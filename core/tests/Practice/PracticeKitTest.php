<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Practice\Chance;
use HonestCore\Practice\PracticeKit;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Statistics\Spread;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A simulated kit has the errors that are stated of it. */
final class PracticeKitTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function levels(): iterable
    {
        yield from PracticeGroundTest::levels();
    }

    #[DataProvider('levels')]
    public function test_a_kit_leans_and_scatters_as_stated(string $name): void
    {
        $level = PracticeLevel::named($name);
        $leans = $lots = $readers = $sessions = $within = $broken = [];
        for ($seed = 1; $seed <= 300; $seed++) {
            $kit = new PracticeKit($level, Chance::of($seed));
            $leans[] = $kit->bias;
            $lots[] = $kit->lean('A', 'one') - $kit->lean('B', 'one');
            $readers[] = $kit->lean('A', 'one') - $kit->lean('A', 'two');
            $day = [];
            for ($i = 0; $i < 12; $i++) {
                $day[] = $kit->read(6.0, 'A', 'one', 'Monday');
            }
            $within[] = (float) Spread::standardDeviation($day);
            $sessions[] = Spread::mean($day) - 6.0 - $kit->lean('A', 'one');
            $broken[] = $kit->read(6.0, 'A', 'one', 'Monday') - $kit->read(6.0, 'A', 'one', 'Monday', true);
        }
        $of = static fn (string $what): float => $level->ofTool('kit', $what);
        self::assertEqualsWithDelta(1.0, Spread::standardDeviation($leans) / $of('bias'), 0.15, 'of kits');
        self::assertEqualsWithDelta(1.0, Spread::standardDeviation($lots) / ($of('lot') * M_SQRT2), 0.15, 'of lots');
        self::assertEqualsWithDelta(1.0, Spread::standardDeviation($readers) / ($of('reader') * M_SQRT2), 0.15, 'of readers');
        self::assertEqualsWithDelta(1.0, Spread::mean($within) / $of('repeat'), 0.05, 'of one reading');
        $ofDays = hypot($of('session'), $of('repeat') / sqrt(12));
        self::assertEqualsWithDelta(1.0, Spread::standardDeviation($sessions) / $ofDays, 0.15, 'of days');
        // The mean of |normal| is sd √(2/π).
        self::assertEqualsWithDelta($of('broken') * sqrt(2 / M_PI), Spread::mean($broken), 0.1, 'a broken step');
    }

    public function test_a_lot_a_reader_and_a_day_stay_what_they_are(): void
    {
        $kit = new PracticeKit(PracticeLevel::named('usual'), Chance::of(4));
        $first = $kit->lean('A', 'one');
        $kit->read(6.0, 'B', 'two', 'Tuesday');
        self::assertSame($first, $kit->lean('A', 'one'));
        self::assertNotSame($first, $kit->lean('B', 'one'));
    }

    public function test_the_kit_of_a_ground_reads_alike_in_whatever_order_it_is_asked(): void
    {
        $level = PracticeLevel::named('usual');
        $shown = static fn (PracticeKit $kit, string $lot, string $portion): float => $kit->shown(6.0, $lot, 'one', 'day', $portion, []);
        [$first, $second] = [PracticeKit::ofGround($level, 9), PracticeKit::ofGround($level, 9)];
        $a = $shown($first, 'A', 'one');
        $shown($second, 'B', 'other');
        self::assertSame($a, $shown($second, 'A', 'one'));
        self::assertNotSame($a, $shown($first, 'B', 'one'));
        self::assertNotSame($a, $shown($first, 'A', 'other'));
        self::assertNotSame($a, $shown(PracticeKit::ofGround($level, 10), 'A', 'one'));
        self::assertEqualsWithDelta(0.6, $first->shown(6.0, 'A', 'one', 'day', 'one', [], 0.6) - $a, 1e-12);
    }

    public function test_over_many_portions_it_scatters_as_stated_and_breaks_are_off_by_what_they_are(): void
    {
        $level = PracticeLevel::named('usual');
        $kit = PracticeKit::ofGround($level, 9);
        $all = $tap = [];
        for ($i = 0; $i < 600; $i++) {
            $all[] = $kit->shown(6.0, 'A', 'one', 'day', "portion {$i}", []);
            $tap[] = $kit->shown(6.0, 'A', 'one', 'day', "portion {$i}", ['tap-water']) - $all[$i];
        }
        self::assertEqualsWithDelta(1.0, Spread::standardDeviation($all) / $level->ofTool('kit', 'repeat'), 0.08);
        self::assertEqualsWithDelta(array_fill(0, 600, 0.35), $tap, 1e-12);
    }
}
