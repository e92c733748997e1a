<?php

declare(strict_types=1);

namespace HonestCore\Tests\FollowUp;

use HonestCore\Analyte\Analytes;
use HonestCore\FollowUp\Compared;
use HonestCore\FollowUp\ProgramAnswer;
use HonestCore\FollowUp\ResultScatter;
use HonestCore\FollowUp\SeriesPoint;
use HonestCore\Program\ExpectedChange;
use HonestCore\Response\DressingResponse;
use HonestCore\Response\PlotChanges;
use HonestCore\Tests\Dice;
use HonestCore\Tests\ReferenceData;
use HonestCore\Variance\SamplingFigures;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Did it work: intervals against R's t.test, what a word may be wrong by a simulation, and what is never answered. */
#[CoversClass(ProgramAnswer::class)]
#[CoversClass(Compared::class)]
#[CoversClass(ResultScatter::class)]
#[CoversClass(ExpectedChange::class)]
final class ProgramAnswerTest extends TestCase
{
    private const SPREAD = '2024-11-20';

    public function test_every_interval_is_that_of_another_programs_t_test(): void
    {
        /**
         * @var array{welch: list<array{treated: list<float>, control: list<float>, confidence: float, interval: array{float, float},
         *     df: float, difference: float}>,
         *     alone: list<array{treated: list<float>, confidence: float, interval: array{float, float}}>} $of
         */
        $of = ReferenceData::of('follow_up');
        foreach ($of['welch'] as $case) {
            $found = DressingResponse::of(PlotChanges::of($case['treated'], $case['control']), confidence: $case['confidence']);
            self::assertEqualsWithDelta(
                [$case['difference'], $case['df'], ...$case['interval']],
                [$found->difference, $found->df, ...$found->interval ?? []],
                1e-9,
            );
        }
        foreach ($of['alone'] as $case) {
            $found = DressingResponse::of(PlotChanges::of($case['treated'], []), confidence: $case['confidence']);
            self::assertEqualsWithDelta($case['interval'], $found->interval, 1e-9);
        }
    }

    /** The school is right, or nothing happens at all: how often is the word wrong, by plots and by a stated uncertainty? */
    public function test_the_word_is_wrong_at_most_once_in_twenty_in_either_direction(): void
    {
        $dice = new Dice(1887);
        $trials = 4000;
        $allowed = 0.05 + 3 * sqrt((0.05 * 0.95) / $trials);
        foreach ([[4, 4], [6, 3], [1, 1], [3, 1], [1, 5]] as [$treated, $control]) {
            foreach ([0.6, 0.0] as $truth) {
                $wrong = 0;
                for ($i = 0; $i < $trials; $i++) {
                    [$before, $after, $was, $is] = [
                        self::round($dice, '2024-10-01', $treated, 5.6), self::round($dice, '2025-10-01', $treated, 5.8 + $truth),
                        self::round($dice, '2024-10-01', $control, 5.6), self::round($dice, '2025-10-01', $control, 5.8),
                    ];
                    $word = ProgramAnswer::of(
                        'lime', 0.6, self::SPREAD, $before, $after, [$was, $is], self::scatter(), 15,
                    )->word;
                    $wrong += in_array($word, $truth > 0 ? ['less', 'more', 'not_seen'] : ['as_expected', 'less', 'more'], true) ? 1 : 0;
                }
                self::assertLessThanOrEqual($allowed, $wrong / $trials, "{$treated} plots, {$control} of control, truth {$truth}");
            }
        }
    }

    /** One composite of several is a round: the uncertainty handed on is the one the formula of the command makes u of. */
    public function test_means_of_composites_shrink_the_uncertainty_as_they_should(): void
    {
        $compared = Compared::of(
            Rounds::of('2024-10-01', [1 => 5.0, 2 => 5.2]), Rounds::of('2025-10-01', [6.0]),
            Rounds::of('2024-10-01', 5.0), Rounds::of('2025-10-01', [5.1]), 0.2,
        );
        $response = DressingResponse::of($compared->plots, 0.9, $compared->u);
        self::assertEqualsWithDelta(0.2 * sqrt(1 / 2 + 1 + 1 + 1), $response->se, 1e-12);
        self::assertEqualsWithDelta(0.8, $response->difference, 1e-12);
    }

    public function test_parts_that_both_rounds_have_are_plots_and_others_are_left_out(): void
    {
        $compared = Compared::of(
            Rounds::of('2024-10-01', [1 => 5.0, 2 => 5.5, 4 => 6.0]), Rounds::of('2025-10-01', [1 => 5.8, 2 => 6.0, 3 => 6.6]),
            null, null, 0.1,
        );
        self::assertEqualsWithDelta([0.8, 0.5], $compared->plots->treated, 1e-12);
    }

    /** @return iterable<string, array{SeriesPoint, SeriesPoint, array{SeriesPoint, SeriesPoint}|null, string, string, string}> */
    public static function cases(): iterable
    {
        [$before, $control] = [Rounds::of('2024-10-01', 5.6), [Rounds::of('2024-10-01', 5.7), Rounds::of('2025-10-02', 5.7)]];
        yield 'as expected' => [
            $before, Rounds::of('2025-10-02', 6.4), $control, 'answered', 'as_expected', 'As expected: +0.8 against +0.8.',
        ];
        yield 'the control moved as much' => [
            $before, Rounds::of('2025-10-02', 6.4), [$control[0], Rounds::of('2025-10-02', 6.5)], 'answered', 'not_seen',
            'Not seen: 0 against +0.8.',
        ];
        yield 'no control' => [$before, Rounds::of('2025-10-02', 6.4), null, 'answered', 'no_control', 'and no control to hold it against'];
        yield 'another lab' => [
            $before, Rounds::of('2025-10-02', 6.4, lab: 'Clay Works'), $control, 'broken', 'cannot_tell', 'The lab changed',
        ];
        yield 'the lab of the control' => [
            $before, Rounds::of('2025-10-02', 6.4), [$control[0], Rounds::of('2025-10-02', 5.7, lab: 'Clay Works')], 'broken',
            'cannot_tell', 'Control: The lab changed',
        ];
        yield 'too early' => [
            Rounds::of('2024-11-10', 5.6), Rounds::of('2024-12-20', 6.4), null, 'early', 'cannot_tell', 'Too early: +0.8 so far.',
        ];
    }

    /** @param array{SeriesPoint, SeriesPoint}|null $control */
    #[DataProvider('cases')]
    public function test_what_is_answered(
        SeriesPoint $before,
        SeriesPoint $after,
        ?array $control,
        string $state,
        string $word,
        string $says,
    ): void {
        $answer = ProgramAnswer::of(
            'lime', 0.8, self::SPREAD, $before, $after, $control, self::scatter(), 15,
        );
        self::assertSame([$state, $word], [$answer->state, $answer->word]);
        self::assertStringContainsString($says, $answer->sentence(Analytes::get('ph')));
        self::assertSame($state === 'broken', $answer->response === null);
    }

    public function test_half_of_the_rate_is_expected_to_do_half_and_fertiliser_beyond_the_removal_only(): void
    {
        $lime = new ExpectedChange('smp', 'ph', '', 5.6, 0.0, 0.8 / 4000);
        self::assertEqualsWithDelta([0.4, 0.0], [$lime->of(2000), $lime->of(0)], 1e-12);
        $phosphate = new ExpectedChange('build-p', 'p', 'mehlich-3', 12.0, 50.0, 1 / 5);
        self::assertEqualsWithDelta([4.0, -10.0], [$phosphate->of(70), $phosphate->of(0)], 1e-12);
        self::assertEquals($phosphate, ExpectedChange::fromRow($phosphate->toRow()));
    }

    public function test_nobody_knows_the_scatter_and_nobody_said_what_to_expect(): void
    {
        $answer = ProgramAnswer::of(
            'lime', null, self::SPREAD, Rounds::of('2024-10-01', 5.6), Rounds::of('2025-10-01', 6.4),
            [Rounds::of('2024-10-01', 5.7), Rounds::of('2025-10-01', 5.7)], null, 15,
        );
        self::assertSame(['cannot_tell', null], [$answer->word, $answer->design]);
        self::assertContains('No school said what it would change.', $answer->reasons);
        self::assertContains('Nobody stated how results of this lab scatter.', $answer->reasons);
    }

    public function test_scatter_is_known_from_duplicates_or_taken_as_usual_and_says_which(): void
    {
        $none = SamplingFigures::of([], [], 0.1);
        $usual = ResultScatter::of('ph', $none, 0.1, 6.0, 16);
        self::assertEqualsWithDelta([0.4, 0.05, sqrt(0.01 + 0.0025)], [$usual?->coreSd, $usual?->labSd, $usual?->u(16)], 1e-12);
        self::assertNull(ResultScatter::of('ph', $none, null, 6.0, 16));
        self::assertEqualsWithDelta(8.0, ResultScatter::of('p', $none, 2.0, 20.0, 15)?->coreSd, 1e-12);
        [$results, $twins] = [[], []];
        foreach ([[5.0, 5.3], [6.0, 5.8], [6.5, 6.6], [7.0, 6.6], [5.5, 5.6]] as $i => [$a, $b]) {
            $results[2 * $i] = [$a];
            $results[2 * $i + 1] = [$b];
            $twins[] = [2 * $i, 2 * $i + 1];
        }
        $figures = SamplingFigures::of($results, $twins, 0.1);
        $measured = ResultScatter::of('ph', $figures, 0.1, 6.0, 15);
        self::assertSame('duplicates', $measured?->known);
        self::assertEqualsWithDelta($figures->sdMeasurement, $measured->u(15), 1e-12, 'Of the usual composite it is what was measured.');
        self::assertNotSame($usual?->words(), $measured->words());
    }

    private static function scatter(): ResultScatter
    {
        return ResultScatter::of('ph', SamplingFigures::of([], [], null), 0.1, 6.0, 15) ?? throw new \LogicException('stated');
    }

    private static function round(Dice $dice, string $on, int $plots, float $truth): SeriesPoint
    {
        $values = [];
        for ($i = 1; $i <= $plots; $i++) {
            $values[$i] = $truth + $dice->normal() * self::scatter()->u(15);
        }

        return Rounds::of($on, $values === [] ? $truth : $values);
    }
}
