<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Practice\Chance;
use HonestCore\Practice\PracticeGround;
use HonestCore\Practice\PracticeKit;
use HonestCore\Practice\PracticeLab;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Practice\PulledSoil;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Statistics\Spread;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The simulated instruments have the errors that are stated of them. */
final class InstrumentsTest extends TestCase
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

    #[DataProvider('levels')]
    public function test_a_lab_repeats_shifts_and_exchanges_as_stated(string $name): void
    {
        $level = PracticeLevel::named($name);
        [$within, $swapped, $all, $shifted] = [[], 0, 0, 0];
        for ($seed = 1; $seed <= 600; $seed++) {
            $lab = new PracticeLab($level, Chance::of($seed));
            $sent = array_map(static fn (int $i): float => 5.0 + 3 * ($i % 2), range(0, 9));
            $reported = $lab->report($sent);
            self::assertCount(10, $reported);
            foreach ($sent as $i => $ph) {
                $all += $i > 0 ? 1 : 0;
                $swapped += abs($reported[$i] - $ph) > 1.5 ? 1 : 0;
            }
            $right = array_values(array_filter(
                array_map(static fn (float $ph, float $found): float => $found - $ph, $sent, $reported),
                static fn (float $off): bool => abs($off) < 1.5,
            ));
            if ($right === []) {
                self::fail('All of them were exchanged.');
            }
            $within[] = (float) Spread::standardDeviation($right);
            $shifted += abs(Spread::mean($right)) > 4 * $level->ofTool('lab', 'bias') + 0.08 ? 1 : 0;
        }
        self::assertEqualsWithDelta(1.0, Spread::mean($within) / $level->ofTool('lab', 'repeat'), 0.06);
        // Each exchange puts two wrong; one that is undone by the next is counted once.
        self::assertEqualsWithDelta(2 * $level->ofTool('lab', 'swaps'), $swapped / $all, 0.012);
        self::assertLessThanOrEqual($level->ofTool('lab', 'shifts') + 0.03, $shifted / 600);
        self::assertGreaterThanOrEqual($level->ofTool('lab', 'shifts') * 0.3 - 0.01, $shifted / 600);
    }

    public function test_cores_that_are_short_bring_too_much_of_the_top(): void
    {
        $layer = DepthLayer::ofInches(0, 6);
        foreach (PracticeLevel::names() as $name) {
            $level = PracticeLevel::named($name);
            $off = $cores = $short = [];
            for ($seed = 1; $seed <= 120; $seed++) {
                $ground = PracticeGround::made($seed, $level);
                $chance = Chance::of($seed);
                $places = [];
                for ($i = 0; $i < 15; $i++) {
                    $places[] = [$chance->draw->between(0, 200), $chance->draw->between(0, 150)];
                }
                $soil = PulledSoil::from($ground, $places, $layer, 100.0, $chance);
                self::assertSame($level->analytes(), array_keys($soil->holds));
                $off['om'][] = $soil->holds['om'] - $soil->meant['om'];
                $off['ph'][] = $soil->holds['ph'] - $soil->meant['ph'];
                $cores[] = $soil->cores;
                $short[] = $soil->short;
            }
            self::assertGreaterThan(0.0, Spread::mean($off['om']), "{$name}: organic matter lies on top");
            self::assertEqualsWithDelta(
                $level->figure('top_only') + (1 - $level->figure('top_only')) * $level->figure('short_cores'),
                array_sum($short) / array_sum($cores),
                0.04,
                $name,
            );
            self::assertEqualsWithDelta(
                1.0,
                (float) Spread::standardDeviation($off['ph']) / ($level->of('core_sd', 'ph') / sqrt(15)),
                0.25,
                "{$name}: the mean of 15 cores",
            );
        }
        $this->expectException(ValueOutOfRange::class);
        PulledSoil::from(PracticeGround::made(1, PracticeLevel::named('usual')), [], $layer, 100.0, Chance::of(1));
    }
}
