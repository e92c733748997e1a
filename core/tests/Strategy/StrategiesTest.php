<?php

declare(strict_types=1);

namespace HonestCore\Tests\Strategy;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Strategy\Costs;
use HonestCore\Strategy\Outcome;
use HonestCore\Strategy\Strategies;
use HonestCore\Strategy\Witness;
use PHPUnit\Framework\TestCase;

final class StrategiesTest extends TestCase
{
    public function test_a_perfect_test_costs_its_fee_and_a_perfect_lab_its_own(): void
    {
        $found = self::compare(self::witnesses(0, 0), Costs::of(20, 0, 3, 6, 30, 100, 50), 0.0);
        self::assertEqualsWithDelta(['lab' => 20.0, 'both' => 6.0, 'test' => 6.0], array_intersect_key($found, ['lab' => 0, 'both' => 0, 'test' => 0]), 1e-9);
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
        $witnesses = array_map(static fn (int $i): Witness => new Witness($i < 10 ? 5.0 : 7.0, $i < 10 ? 0 : ($i < 15 ? 0 : 1), $i >= 10 && $i < 15, $limits), range(0, 19));
        $found = Strategies::compare($witnesses, Costs::of(20, 0, 4, 0, 0, 100, 40), 0.0, null, 0.1, 3)['outcomes'];
        $both = self::named($found, 'both');
        self::assertEqualsWithDelta([4.0 + 0.25 * 20, 0.0, 0.0, 0.25], [$both->testing, $both->under, $both->over, $both->labShare], 1e-9);
        self::assertEqualsWithDelta(0.25, self::named($found, 'test')->over, 1e-9);
        self::assertCount(3, $found, 'bands see no change');
    }

    /** A lab with an uncertainty of its own makes mistakes near the limit: at the limit itself half of them, were the ground known. */
    public function test_the_lab_is_not_the_truth(): void
    {
        $witnesses = array_fill(0, 10, new Witness(6.0, 0, false, ActionLimits::of([6.0])));
        $lab = self::named(Strategies::compare($witnesses, Costs::of(20, 0, 4, 0, 0, 100, 100), 0.1, null, 0.1, 3)['outcomes'], 'lab');
        // Truth and result both normal about the limit: P(sides differ) = 1/4 + ... = arccos(1/√2)/π = 1/4.
        self::assertEqualsWithDelta(0.25, $lab->under + $lab->over, 0.03);
    }

    public function test_the_answer_turns_with_the_cost_of_a_mistake(): void
    {
        $found = Strategies::compare(self::witnesses(2, 2), Costs::of(20, 0, 5, 0, 0, 100, 100), 0.02, 0.05, 0.05, 9);
        self::assertSame('test', $found['turns'][0]['cheapest'], 'mistakes that cost nothing');
        self::assertNotSame('test', $found['turns'][count($found['turns']) - 1]['cheapest']);
        self::assertGreaterThan(0.0, $found['sure']);
        foreach ($found['outcomes'] as $outcome) {
            self::assertGreaterThanOrEqual($outcome->interval[0] - 1e-9, $outcome->cost);
            self::assertLessThanOrEqual($outcome->interval[1] + 1e-9, $outcome->cost);
        }
        self::assertEquals($found, Strategies::compare(self::witnesses(2, 2), Costs::of(20, 0, 5, 0, 0, 100, 100), 0.02, 0.05, 0.05, 9), 'the same seed, the same answer');
    }

    public function test_a_steady_ground_makes_a_pen_between_labs_cheap_and_a_restless_one_dear(): void
    {
        $cost = static fn (float $drift): float => self::named(Strategies::compare(self::witnesses(0, 0), Costs::of(30, 0, 2, 0, 0, 100, 100), 0.05, 0.02, $drift, 5)['outcomes'], 'change')->cost;
        self::assertLessThan(30.0, $cost(0.0));
        self::assertGreaterThan($cost(0.0), $cost(0.8));
    }

    public function test_too_few_composites_and_impossible_costs_are_refused(): void
    {
        foreach ([static fn () => Costs::of(-1, 0, 0, 0, 0, 0, 0), static fn () => Costs::of(NAN, 0, 0, 0, 0, 0, 0), static fn () => Strategies::compare([], Costs::of(1, 1, 1, 1, 1, 1, 1), 0.1, null, 0.1, 1)] as $bad) {
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

        return array_map(static fn (int $i): Witness => new Witness($i < 10 ? 5.0 : 7.0, $i < 10 ? ($i < $forHigher ? 1 : 0) : ($i - 10 < $forLower ? 0 : 1), false, $limits), range(0, 19));
    }

    /**
     * @param list<Witness> $witnesses
     * @return array<string, float> cost by strategy
     */
    private static function compare(array $witnesses, Costs $costs, float $labSd): array
    {
        $outcomes = Strategies::compare($witnesses, $costs, $labSd, 0.05, 0.0, 3)['outcomes'];

        return array_combine(array_map(static fn (Outcome $one): string => $one->strategy, $outcomes), array_map(static fn (Outcome $one): float => $one->cost, $outcomes));
    }

    /** @param list<Outcome> $outcomes */
    private static function named(array $outcomes, string $name): Outcome
    {
        return array_values(array_filter($outcomes, static fn (Outcome $one): bool => $one->strategy === $name))[0] ?? self::fail("{$name} is not there");
    }
}
