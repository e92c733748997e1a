<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Reports\BatchQuestions;
use HonestCore\Reports\BatchSample;
use HonestCore\Reports\Prediction;
use HonestCore\Reports\SeriesHistory;
use HonestCore\Reports\Together;
use HonestCore\Tests\Dice;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Made-up reports without a fault, and with one: how often is a question asked? */
#[CoversClass(Prediction::class)]
#[CoversClass(Together::class)]
final class BatchQuestionsTest extends TestCase
{
    private const REPORTS = 400;

    /** @return iterable<string, array{int, int, int, float}> grounds, samples of each, earlier results, spread within */
    public static function shapes(): iterable
    {
        foreach ([[1, 20], [2, 10], [5, 4], [20, 1]] as [$grounds, $each]) {
            foreach ([2, 3, 6] as $earlier) {
                foreach ([0.1, 0.15, 0.25] as $spread) {
                    yield "{$grounds} x {$each}, {$earlier} earlier, spread {$spread}" => [$grounds, $each, $earlier, $spread];
                }
            }
        }
    }

    /** Each season has moved all grounds by its own, of the size that seasons do: at most 2 of 100 reports are asked about. */
    #[DataProvider('shapes')]
    public function test_what_is_sound_is_hardly_ever_asked_about(int $grounds, int $each, int $earlier, float $spread): void
    {
        $dice = new Dice(1000 * $grounds + 10 * $earlier + (int) (100 * $spread));
        $asked = 0;
        for ($report = 0; $report < self::REPORTS; $report++) {
            $samples = self::report($dice, $grounds, $each, $earlier, $spread, $dice->normal(0.1));
            $asked += BatchQuestions::swaps($samples) !== [] || BatchQuestions::shifts($samples) !== [] ? 1 : 0;
        }

        self::assertLessThanOrEqual(0.02 * self::REPORTS, $asked);
    }

    /**
     * What is found, as docs/methods.md has it: samples of grounds a whole unit apart, exchanged; and a batch that is moved
     * beside its season.
     */
    public function test_what_is_found_of_swaps_and_shifts(): void
    {
        $dice = new Dice(31);
        $found = ['swap' => 0, 'shift 0.3' => 0, 'shift 0.5' => 0, 'season alone' => 0];
        for ($report = 0; $report < self::REPORTS; $report++) {
            $samples = self::report($dice, 20, 1, 4, 0.15, $dice->normal(0.1));
            usort($samples, static fn (BatchSample $a, BatchSample $b): int => $a->values['ph'] <=> $b->values['ph']);
            $swapped = $samples;
            [$low, $high] = [$samples[3], $samples[16]];
            $swapped[3] = new BatchSample($low->code, $low->ground, $high->values, $low->histories);
            $swapped[16] = new BatchSample($high->code, $high->ground, $low->values, $high->histories);
            $questions = BatchQuestions::swaps(array_values($swapped));
            $found['swap'] += ($questions[0]->samples ?? []) === [$low->code, $high->code] ? 1 : 0;
            foreach ([0.3, 0.5] as $by) {
                $moved = array_map(static fn (BatchSample $one): BatchSample => new BatchSample(
                    $one->code,
                    $one->ground,
                    ['ph' => $one->values['ph'] + $by],
                    $one->histories,
                ), $samples);
                $found["shift {$by}"] += BatchQuestions::shifts($moved) !== [] ? 1 : 0;
            }
            $found['season alone'] += BatchQuestions::shifts($samples) !== [] ? 1 : 0;
        }
        $share = array_map(static fn (int $times): float => $times / self::REPORTS, $found);

        self::assertGreaterThan(0.5, $share['swap']);
        self::assertGreaterThan(0.4, $share['shift 0.3']);
        self::assertGreaterThan(0.93, $share['shift 0.5']);
        self::assertLessThan(0.02, $share['season alone']);
    }

    public function test_one_of_many_samples_of_a_ground_vouches_for_its_place(): void
    {
        $history = SeriesHistory::of('ph', [6.0, 6.2]);
        $alone = $history->expects();
        $others = $history->expects(Together::of([6.6, 6.5, 6.7, 6.6, 6.6]));

        self::assertGreaterThan($alone->mean, $others->mean);
        self::assertLessThan($alone->scale, $others->scale);
        self::assertSame(5.0, $alone->df, 'one of the two, and four of what is usual');
        self::assertSame(9.0, $others->df);
    }

    public function test_what_is_left_of_numbers_when_one_goes(): void
    {
        $rest = Together::of([6.0, 6.4, 7.1])->without(6.4);

        self::assertEqualsWithDelta([2, 6.55, 0.605], [$rest->n, $rest->mean, $rest->squares], 1e-12);
        self::assertSame(0, Together::of([6.0])->without(6.0)->n);
    }

    /** t on 5 degrees of freedom: 2 · P(T > 2.5706) = 0.05 (R, pt). */
    public function test_a_prediction_is_a_t_distribution(): void
    {
        $prediction = new Prediction(6.0, 0.2, 5.0);

        self::assertTrue($prediction->isBeyond(6.0 + 2.5707 * 0.2, 0.05));
        self::assertFalse($prediction->isBeyond(6.0 - 2.5705 * 0.2, 0.05));
        self::assertEqualsWithDelta(
            2 * log(3) + 6 * log(1 + (2 / 3) ** 2 / 5),
            (new Prediction(6.0, 0.6, 5.0))->surprise(6.4) - (new Prediction(6.0, 0.2, 5.0))->surprise(6.0),
            1e-12,
        );
    }

    /** @return list<BatchSample> */
    private static function report(Dice $dice, int $grounds, int $each, int $earlier, float $spread, float $season): array
    {
        $samples = [];
        for ($ground = 0; $ground < $grounds; $ground++) {
            $truth = 6.3 + $dice->normal(0.5);
            $before = [];
            for ($i = 0; $i < $earlier; $i++) {
                $before[] = $truth + $dice->normal($spread);
            }
            $history = SeriesHistory::of('ph', $before);
            for ($i = 0; $i < $each; $i++) {
                $value = $truth + $season + $dice->normal($spread);
                $samples[] = new BatchSample("S{$ground}-{$i}", "A{$ground}", ['ph' => $value], ['ph' => $history]);
            }
        }

        return $samples;
    }
}
