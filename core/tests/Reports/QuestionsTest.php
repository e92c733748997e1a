<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Error\CoreError;
use HonestCore\Reports\AskedResult;
use HonestCore\Reports\BatchQuestions;
use HonestCore\Reports\BatchSample;
use HonestCore\Reports\ControlChart;
use HonestCore\Reports\DuplicateLimit;
use HonestCore\Reports\Question;
use HonestCore\Reports\SampleQuestions;
use HonestCore\Reports\SeriesHistory;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(AskedResult::class)]
#[CoversClass(BatchSample::class)]
#[CoversClass(BatchQuestions::class)]
#[CoversClass(ControlChart::class)]
#[CoversClass(SeriesHistory::class)]
#[CoversClass(Question::class)]
final class QuestionsTest extends TestCase
{
    /** @return iterable<string, array{array<string, array{string, float}>, list<string>}> */
    public static function samples(): iterable
    {
        $good = ['ph:water' => ['ph', 6.1], 'buffer_ph:smp' => ['buffer_ph', 6.7], 'p:mehlich-3' => ['p', 34.0]];
        yield 'nothing odd' => [$good, []];
        yield 'shares of 74, 20 and 5 miss 100 by rounding' => [
            ['sand' => ['sand', 74.0], 'silt' => ['silt', 20.0], 'clay' => ['clay', 5.0]],
            [],
        ];
        yield 'shares that do not add up' => [
            ['sand' => ['sand', 60.0], 'silt' => ['silt', 20.0], 'clay' => ['clay', 10.0]],
            ['texture'],
        ];
        yield 'two shares say nothing' => [['sand' => ['sand', 60.0], 'silt' => ['silt', 20.0]], []];
        // 2000/200.4 + 200/121.5 + 150/391 = 9.98 + 1.65 + 0.38 = 12.0 cmol/kg
        yield 'bases within the capacity' => [
            ['ca' => ['ca', 2000.0], 'mg' => ['mg', 200.0], 'k' => ['k', 150.0], 'cec' => ['cec', 12.5]],
            [],
        ];
        yield 'bases over the capacity' => [
            ['ca' => ['ca', 2000.0], 'mg' => ['mg', 200.0], 'k' => ['k', 150.0], 'cec' => ['cec', 10.0]],
            ['cations'],
        ];
        yield 'a buffer below the pH' => [
            ['ph:water' => ['ph', 6.0], 'buffer_ph:smp' => ['buffer_ph', 5.4]],
            ['buffer'],
        ];
        yield 'a buffer of a soil that is not acid' => [
            ['ph:water' => ['ph', 7.4], 'buffer_ph:smp' => ['buffer_ph', 7.2]],
            ['buffer'],
        ];
        yield 'an organic soil' => [['om' => ['om', 34.0]], ['organic']];
        yield 'a decimal point lost' => [['ph:water' => ['ph', 61.0]], ['range']];
        yield 'more organic matter than there is soil' => [['om' => ['om', 340.0]], ['range']];
        yield 'a negative figure' => [['p:olsen' => ['p', -3.0]], ['range']];
    }

    /**
     * @param array<string, array{string, float}> $results
     * @param list<string> $kinds
     */
    #[DataProvider('samples')]
    public function test_a_sample_is_asked_about_what_does_not_fit(array $results, array $kinds): void
    {
        $questions = SampleQuestions::of(
            'QH26-01-4',
            array_map(static fn (array $one): AskedResult => new AskedResult($one[0], $one[1]), $results),
        );

        self::assertSame($kinds, array_map(static fn (Question $question): string => $question->kind->value, $questions));
        foreach ($questions as $question) {
            self::assertStringStartsWith('QH26-01-4: ', $question->words);
        }
    }

    public function test_a_result_far_from_its_own_history_is_far_and_one_beside_it_is_not(): void
    {
        $history = SeriesHistory::of('ph', [6.0, 6.1, 5.9, 6.05]);
        self::assertSame([false, false, true, true], array_map($history->isFar(...), [6.1, 6.4, 7.1, 4.9]));
        $phosphorus = SeriesHistory::of('p', [30.0, 33.0, 28.0, 36.0]);
        self::assertSame([false, true, true], array_map($phosphorus->isFar(...), [40.0, 310.0, 3.0]));
        self::assertEqualsWithDelta((30 * 33 * 28 * 36) ** 0.25, $phosphorus->usual(), 1e-9);
        $this->expectException(CoreError::class);
        SeriesHistory::of('ph', [6.0]);
    }

    /** z of a prediction: (6.5 - 6.0) / √(0.15² (1 + 1/4) + 0.1²), the spread of four equal results being the usual one. */
    public function test_how_far_is_counted_in_spreads_of_a_prediction(): void
    {
        self::assertEqualsWithDelta(
            0.5 / sqrt(0.15 ** 2 * 1.25 + 0.1 ** 2),
            SeriesHistory::of('ph', [6.0, 6.0, 6.0, 6.0])->z(6.5),
            1e-12,
        );
    }

    public function test_exchanged_samples_are_found_and_each_asked_about_once(): void
    {
        $samples = $this->report([5.2, 6.1, 7.3, 6.6, 5.8, 7.0], [0, 1, 2, 3, 4, 5]);
        self::assertSame([], BatchQuestions::swaps($samples));
        $swapped = $this->report([5.2, 6.1, 7.3, 6.6, 5.8, 7.0], [2, 1, 0, 3, 4, 5]);
        $questions = BatchQuestions::swaps($swapped);
        self::assertSame(
            [['S0', 'S2']],
            array_map(static fn (Question $question): array => $question->samples, $questions),
        );
    }

    public function test_a_shifted_batch_is_found(): void
    {
        $ground = [5.2, 6.1, 7.3, 6.6, 5.8, 7.0];
        self::assertSame([], BatchQuestions::shifts($this->report($ground, [0, 1, 2, 3, 4, 5])));
        $questions = BatchQuestions::shifts($this->report($ground, [0, 1, 2, 3, 4, 5], shift: 0.45));
        self::assertSame(['shift'], array_map(static fn (Question $question): string => $question->kind->value, $questions));
        self::assertStringContainsString('above', $questions[0]->words);
        self::assertSame(
            [],
            BatchQuestions::shifts(array_slice($this->report($ground, [0, 1, 2, 3, 4, 5], shift: 0.45), 0, 4)),
            'four are too few to ask',
        );
    }

    /** ISO 5725: the limit is 2.8 standard deviations of one result. */
    public function test_duplicates_may_differ_by_the_repeatability_limit(): void
    {
        self::assertEqualsWithDelta(0.168, DuplicateLimit::limit('ph', 6.0, 6.1, 0.06), 1e-12);
        self::assertNull(DuplicateLimit::question('ph', 'pH', 'A', 6.0, 'B', 6.16, 0.06));
        $question = DuplicateLimit::question('ph', 'pH', 'A', 6.0, 'B', 6.2, 0.06);
        self::assertStringContainsString('more than the lab repeats itself (0.168)', $question->words ?? '');
        self::assertEqualsWithDelta(2.8 * 0.06 * 100, DuplicateLimit::limit('p', 90, 110), 1e-9);
    }

    /** d2 of two is 2/√π, the mean range of two normal values in their spread; 3/d2 = 2.66. */
    public function test_chart_constants(): void
    {
        $chart = ControlChart::of([10.0, 12.0, 11.0, 13.0]);
        self::assertEqualsWithDelta(2 / sqrt(M_PI), 1.128, 0.0005);
        self::assertEqualsWithDelta((2 + 1 + 2) / 3 / 1.128, $chart->sigma, 1e-12);
        self::assertEqualsWithDelta(11.5 + (2.66 * 5) / 3, $chart->upperLimit(), 0.003);
        self::assertEqualsWithDelta((3.267 * 5) / 3, $chart->rangeLimit, 1e-9);
        self::assertSame([], $chart->signals, 'too few points to ask the rules');
    }

    /** @return iterable<string, array{list<float>, list<array{int, string}>}> */
    public static function runs(): iterable
    {
        yield 'in order' => [[0.2, -0.5, 0.9, -1.1, 0.3, -0.2, 0.6, -0.7], []];
        yield 'one beyond three' => [[0.2, -0.5, 3.1], [[2, 'beyond']]];
        yield 'two of three beyond two' => [[2.1, 0.1, 2.2], [[2, 'two-of-three']]];
        yield 'two of three on both sides' => [[2.1, 0.1, -2.2], []];
        yield 'four of five beyond one' => [[1.1, 1.2, 0.4, 1.3, 1.4], [[4, 'four-of-five']]];
        yield 'eight on one side' => [[0.1, 0.2, 0.3, 0.1, 0.4, 0.2, 0.1, 0.3], [[7, 'eight']]];
        yield 'eight with one on the line' => [[0.1, 0.2, 0.3, 0.0, 0.4, 0.2, 0.1, 0.3], []];
    }

    /**
     * @param list<float> $values
     * @param list<array{int, string}> $signals
     */
    #[DataProvider('runs')]
    public function test_run_rules_about_a_known_value(array $values, array $signals): void
    {
        $chart = ControlChart::of(array_map(static fn (float $z): float => 6.2 + 0.05 * $z, $values), [
            'value' => 6.2,
            'sigma' => 0.05,
        ]);

        self::assertSame(
            $signals,
            array_map(static fn (array $signal): array => [$signal['at'], $signal['rule']], $chart->signals),
        );
    }

    public function test_a_chart_of_nothing_is_refused(): void
    {
        foreach ([[], [1.0], [1.0, NAN]] as $values) {
            try {
                ControlChart::of($values);
                self::fail('It was accepted.');
            } catch (CoreError $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
    }

    /**
     * A report in which sample i got the value of the ground of place i.
     *
     * @param list<float> $ground
     * @param list<int> $places
     * @return list<BatchSample>
     */
    private function report(array $ground, array $places, float $shift = 0.0): array
    {
        return array_map(
            static fn (int $i): BatchSample => new BatchSample(
                "S{$i}",
                "A{$i}",
                ['ph' => $ground[$places[$i]] + 0.04 * (($i % 3) - 1) + $shift],
                [
                    'ph' => SeriesHistory::of('ph', [
                        $ground[$i] - 0.1,
                        $ground[$i] + 0.1,
                        $ground[$i],
                        $ground[$i] + 0.05,
                    ]),
                ],
            ),
            array_keys($ground),
        );
    }
}
