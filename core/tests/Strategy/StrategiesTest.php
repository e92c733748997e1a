<?php

declare(strict_types=1);

namespace HonestCore\Tests\Strategy;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Strategy\Costs;
use HonestCore\Strategy\LabError;
use HonestCore\Strategy\Strategies;
use HonestCore\Strategy\StrategyOutcome;
use HonestCore\Strategy\Witness;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Costs::class)]
#[CoversClass(Witness::class)]
#[CoversClass(StrategyOutcome::class)]
final class StrategiesTest extends TestCase
{
    public function test_a_perfect_test_costs_its_fee_and_a_perfect_lab_its_own(): void
    {
        $found = self::compare(self::witnesses(0, 0), Costs::of(20, 0, 3, 6, 30, 100, 50), 0.0);
        self::assertEqualsWithDelta(
            ['lab' => 20.0, 'both' => 6.0, 'test' => 6.0],
            array_intersect_key($found, ['lab' => 0, 'both' => 0, 'test' => 0]),
            1e-9,
        );
    }

    /** Of 20 composites the kit takes 2 for higher and 4 for lower than they are: 0.1 × 200 + 0.2 × 50 = 30 an area. */
    public function test_mistakes_cost_what_was_stated_for_them(): void
    {
        $found = self::compare(self::witnesses(2, 4), Costs::of(20, 0, 6, 0, 0, 200, 50), 0.0);
        self::assertEqualsWithDelta(36.0, $found['test'], 1e-9);
        self::assertEqualsWithDelta(20.0, $found['lab'], 1e-9);
    }

    public function test_a_test_that_is_close_goes_to_the_lab_first_and_pays_both(): void
    {
        $limits = ActionLimits::of([6.0]);
        $witnesses = array_map(
            static fn (int $i): Witness => new Witness(
                $i < 10 ? 5.0 : 7.0,
                $i < 10 ? 0 : ($i < 15 ? 0 : 1),
                $i >= 10 && $i < 15,
                $limits,
            ),
            range(0, 19),
        );
        $found = Strategies::compare($witnesses, Costs::of(20, 0, 4, 0, 0, 100, 40), new LabError(0.0), null, 0.1, 3)['outcomes'];
        $both = self::named($found, 'both');
        self::assertEqualsWithDelta(
            [4.0 + 0.25 * 20, 0.0, 0.0, 0.25],
            [$both->testing, $both->under, $both->over, $both->labShare],
            1e-9,
        );
        self::assertEqualsWithDelta(0.25, self::named($found, 'test')->over, 1e-9);
        self::assertCount(3, $found, 'bands see no change');
    }

    /**
     * A lab with an uncertainty of its own makes mistakes near the limit: at the limit itself half of them, were the
     * ground known.
     */
    public function test_the_lab_is_not_the_truth(): void
    {
        $witnesses = array_fill(0, 10, new Witness(6.0, 0, false, ActionLimits::of([6.0])));
        $lab = self::named(
            Strategies::compare($witnesses, Costs::of(20, 0, 4, 0, 0, 100, 100), new LabError(0.1), null, 0.1, 3)['outcomes'],
            'lab',
        );
        // Truth and result both normal about the limit: P(sides differ) = 1/4 + ... = arccos(1/√2)/π = 1/4.
        self::assertEqualsWithDelta(0.25, $lab->under + $lab->over, 0.03);
    }

    public function test_the_answer_turns_with_the_cost_of_a_mistake(): void
    {
        $found = Strategies::compare(self::witnesses(2, 2), Costs::of(20, 0, 5, 0, 0, 100, 100), new LabError(0.02), 0.05, 0.05, 9);
        self::assertSame('test', $found['turns'][0]['cheapest'], 'mistakes that cost nothing');
        self::assertNotSame('test', $found['turns'][count($found['turns']) - 1]['cheapest']);
        self::assertGreaterThan(0.0, $found['sure']);
        foreach ($found['outcomes'] as $outcome) {
            self::assertGreaterThanOrEqual($outcome->interval[0] - 1e-9, $outcome->cost);
            self::assertLessThanOrEqual($outcome->interval[1] + 1e-9, $outcome->cost);
        }
        self::assertEquals(
            $found,
            Strategies::compare(self::witnesses(2, 2), Costs::of(20, 0, 5, 0, 0, 100, 100), new LabError(0.02), 0.05, 0.05, 9),
            'the same seed, the same answer',
        );
    }

    public function test_a_steady_ground_makes_a_pen_between_labs_cheap_and_a_restless_one_dear(): void
    {
        $cost = static fn (float $drift): float => self::named(
            Strategies::compare(self::witnesses(0, 0), Costs::of(30, 0, 2, 0, 0, 100, 100), new LabError(0.05), 0.02, $drift, 5)[
                'outcomes'
            ],
            'change',
        )->cost;
        self::assertLessThan(30.0, $cost(0.0));
        self::assertGreaterThan($cost(0.0), $cost(0.8));
    }

    /**
     * A pen between labs, on ground that stays: right in the year of the lab, and in the two after it wrong where the
     * difference of two readings, of √2 times their spread, reaches over the limit: (2/3) Φ(−d/(√2 s)), with
     * Φ(−0.7071) = 0.2398 (R, pnorm).
     */
    public function test_a_pen_misses_as_often_as_two_readings_of_it_differ(): void
    {
        $witnesses = array_map(
            static fn (int $i): Witness => new Witness($i % 2 === 0 ? 5.9 : 6.1, 0, false, ActionLimits::of([6.0])),
            range(0, 39),
        );
        $change = self::named(
            Strategies::compare($witnesses, Costs::of(30, 0, 2, 0, 0, 100, 40), new LabError(0.0), 0.1, 0.0, 11)['outcomes'],
            'change',
        );
        self::assertEqualsWithDelta(
            [0.5, 0.5],
            [$change->under / ($change->under + $change->over), $change->over / ($change->under + $change->over)],
            0.05,
            'either way alike',
        );
        self::assertEqualsWithDelta((2 / 3) * 0.23975, $change->under + $change->over, 0.01);
        self::assertEqualsWithDelta([1 / 3, 2 + 30 / 3], [$change->labShare, $change->testing], 1e-9);
        self::assertEqualsWithDelta($change->testing + 100 * $change->under + 40 * $change->over, $change->cost, 1e-9);

        $perfect = self::named(
            Strategies::compare($witnesses, Costs::of(30, 0, 2, 0, 0, 100, 40), new LabError(0.0), 0.0, 0.5, 11)['outcomes'],
            'change',
        );
        self::assertSame(
            [0.0, 0.0],
            [$perfect->under, $perfect->over],
            'what sees every change misses nothing, however the ground drifts',
        );
    }

    /**
     * Ground on the limit and drifting, an exact pen, and a lab with an error that is carried along: truth and what is
     * believed of it are
     * normal about the limit and differ in side with arccos(ρ)/π, with ρ² = 1/2, 2/3 and 3/4 in the three years
     * where error and drift are alike.
     */
    public function test_the_error_of_the_lab_is_carried_and_the_drift_adds_up(): void
    {
        $witnesses = array_fill(0, 60, new Witness(6.0, 0, false, ActionLimits::of([6.0])));
        $change = self::named(
            Strategies::compare($witnesses, Costs::of(30, 0, 2, 0, 0, 100, 100), new LabError(0.1), 0.0, 0.1, 5)['outcomes'],
            'change',
        );
        $expected = (acos(sqrt(1 / 2)) + acos(sqrt(2 / 3)) + acos(sqrt(3 / 4))) / M_PI / 3;
        self::assertEqualsWithDelta($expected, $change->under + $change->over, 0.012);
    }

    /** Two that differ by less than the evidence can tell are said to, and two that it can tell apart are not. */
    public function test_it_says_which_strategies_cannot_be_told_apart(): void
    {
        $close = Strategies::compare(self::witnesses(3, 0), Costs::of(20, 0, 5, 0, 0, 100, 100), new LabError(0.0), null, 0.0, 2);
        self::assertFalse(self::named($close['outcomes'], 'lab')->apart, 'fee and mistakes weigh alike');
        [$low, $high] = self::named($close['outcomes'], 'lab')->dearer;
        self::assertTrue($low < 0 && $high > 0);
        $clear = Strategies::compare(self::witnesses(0, 0), Costs::of(90, 0, 5, 0, 0, 100, 100), new LabError(0.0), null, 0.0, 2);
        self::assertTrue(self::named($clear['outcomes'], 'lab')->apart);
        self::assertSame([0.0, 0.0], $clear['outcomes'][0]->dearer, 'the cheapest itself');
        self::assertFalse(self::named($clear['outcomes'], 'both')->apart, 'the same to a cent, where nothing is close');
    }

    /**
     * Mistakes from a hundredth to a hundred times what was stated; lab and test cost alike where they cost 15 : 1 of
     * a tenth of 100.
     */
    public function test_the_answer_turns_where_fee_and_mistakes_weigh_alike(): void
    {
        $turns = Strategies::compare(self::witnesses(2, 0), Costs::of(20, 0, 5, 0, 0, 100, 100), new LabError(0.0), null, 0.0, 9)[
            'turns'
        ];
        // The test misses a tenth: 5 + factor × 10 against 20 at a factor of 1.5, which the next step of ten to a
        // decade passes.
        self::assertEqualsWithDelta(
            [[0.01, 'test'], [10 ** 0.2, 'lab']],
            array_map(static fn (array $turn): array => [$turn['factor'], $turn['cheapest']], self::withoutBoth($turns)),
            1e-9,
        );
    }

    public function test_sure_is_how_often_the_cheapest_stays_so(): void
    {
        $found = Strategies::compare(self::witnesses(0, 0), Costs::of(20, 0, 5, 0, 0, 100, 100), new LabError(0.0), null, 0.0, 2);
        self::assertEquals(1, $found['sure'], 'nothing varies');
        self::assertContains($found['cheapest'], ['test', 'both']);
        $close = Strategies::compare(self::witnesses(3, 0), Costs::of(20, 0, 5, 0, 0, 100, 100), new LabError(0.0), null, 0.0, 2);
        self::assertGreaterThan(0.3, $close['sure']);
        self::assertLessThan(0.8, $close['sure'], 'fee and mistakes weigh alike, so that chance decides');
    }

    public function test_costs_are_taken_up_to_a_thousand_million(): void
    {
        self::assertSame(1e9, Costs::of(1e9, 0, 0, 0, 0, 0, 0)->lab());
        self::assertSame(
            [10.0, 7.5],
            [Costs::of(5, 10, 0, 0, 30, 0, 0)->lab(), Costs::of(0, 0, 5, 5, 30, 0, 0)->test()],
            'minutes of an hour of 30',
        );
        $this->expectExceptionMessage('a number from 0 to 1,000,000,000');
        Costs::of(0, 0, 0, 0, 0, 0, 1.0001e9);
    }

    public function test_too_few_composites_and_impossible_costs_are_refused(): void
    {
        foreach (
            [
                static fn () => Costs::of(-1, 0, 0, 0, 0, 0, 0),
                static fn () => Costs::of(NAN, 0, 0, 0, 0, 0, 0),
                static fn () => Strategies::compare([], Costs::of(1, 1, 1, 1, 1, 1, 1), new LabError(0.1), null, 0.1, 1),
            ] as $bad
        ) {
            try {
                $bad();
                self::fail('accepted');
            } catch (ValueOutOfRange) {
                self::addToAssertionCount(1);
            }
        }
    }

    /** @return list<Witness> twenty, half below and half above the limit, some of which the test takes for the other */
    private static function witnesses(int $forHigher, int $forLower): array
    {
        $limits = ActionLimits::of([6.0]);

        return array_map(
            static fn (int $i): Witness => new Witness(
                $i < 10 ? 5.0 : 7.0,
                $i < 10 ? ($i < $forHigher ? 1 : 0) : ($i - 10 < $forLower ? 0 : 1),
                false,
                $limits,
            ),
            range(0, 19),
        );
    }

    /**
     * With nothing too close to call, "both" costs what the test does; the first of the two stands for them.
     *
     * @param list<array{factor: float, cheapest: string}> $turns
     * @return list<array{factor: float, cheapest: string}>
     */
    private static function withoutBoth(array $turns): array
    {
        return array_map(
            static fn (array $turn): array => [
                'factor' => $turn['factor'],
                'cheapest' => $turn['cheapest'] === 'both' ? 'test' : $turn['cheapest'],
            ],
            $turns,
        );
    }

    /**
     * @param list<Witness> $witnesses
     * @return array<string, float> cost by strategy
     */
    private static function compare(array $witnesses, Costs $costs, float $labSd): array
    {
        $outcomes = Strategies::compare($witnesses, $costs, new LabError($labSd), 0.05, 0.0, 3)['outcomes'];

        return array_combine(
            array_map(static fn (StrategyOutcome $one): string => $one->strategy, $outcomes),
            array_map(static fn (StrategyOutcome $one): float => $one->cost, $outcomes),
        );
    }

    /** @param list<StrategyOutcome> $outcomes */
    private static function named(array $outcomes, string $name): StrategyOutcome
    {
        return array_values(array_filter($outcomes, static fn (StrategyOutcome $one): bool => $one->strategy === $name))[0] ??
            self::fail("{$name} is not there");
    }
}
