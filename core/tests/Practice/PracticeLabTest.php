<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Practice\Chance;
use HonestCore\Practice\PracticeLab;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Statistics\Spread;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A simulated lab has the errors that are stated of it. */
final class PracticeLabTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function levels(): iterable
    {
        yield from PracticeGroundTest::levels();
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

    public function test_the_lab_of_a_ground_reports_a_batch_alike_whenever_it_is_asked(): void
    {
        $level = PracticeLevel::named('hard');
        $report = static fn (int $seed, string $batch): array => PracticeLab::ofGround($level, $seed)
            ->report([5.0, 6.0, 7.0], Chance::named($seed, $batch));
        self::assertSame($report(3, 'one'), $report(3, 'one'));
        self::assertNotSame($report(3, 'one'), $report(3, 'two'));
        self::assertNotSame($report(3, 'one'), $report(4, 'one'));
    }
}
