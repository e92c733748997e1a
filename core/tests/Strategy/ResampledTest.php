<?php

declare(strict_types=1);

namespace HonestCore\Tests\Strategy;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Strategy\Costs;
use HonestCore\Strategy\LabError;
use HonestCore\Strategy\Losses;
use HonestCore\Strategy\Resampled;
use HonestCore\Strategy\Strategies;
use HonestCore\Strategy\Witness;
use HonestCore\Tests\Dice;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Losses::class)]
final class ResampledTest extends TestCase
{
    /** Losses of 0 or 1 have the interval of Clopper and Pearson: R, binom.test. */
    public function test_losses_of_one_size_have_the_exact_interval(): void
    {
        $again = Resampled::of(20, 4);
        foreach ([[10, 0.2719578, 0.7280422], [1, 0.0012651, 0.2487328], [0, 0.0, 0.1684335]] as [$wrong, $low, $high]) {
            $values = array_map(static fn (int $i): float => $i < $wrong ? 1.0 : 0.0, range(0, 19));
            self::assertEqualsWithDelta([$low, $high], $again->interval($values, [0.0, 1.0]), 0.02, "{$wrong} of 20");
        }
    }

    public function test_what_does_not_vary_is_cheapest_every_time(): void
    {
        $again = Resampled::of(5, 1);

        self::assertSame(['a' => 1.0, 'b' => 0.0], $again->least(['a' => [1, 1, 1, 1, 1], 'b' => [2, 2, 2, 2, 2]]));
        self::assertEqualsWithDelta(0.5, $again->least(['a' => [0, 2, 1, 0, 2], 'b' => [2, 0, 1, 2, 0]])['a'], 0.05);
    }

    /** @return iterable<string, array{int, float, float}> composites, spread and bias of the test */
    public static function worlds(): iterable
    {
        yield '20 pairs, a good test' => [20, 0.1, 0.0];
        yield '20 pairs, a poor test' => [20, 0.3, 0.2];
        yield '60 pairs, a good test' => [60, 0.1, 0.0];
        yield '60 pairs, a poor test' => [60, 0.3, 0.2];
    }

    /**
     * Fields skewed about the limits, a lab with an error of its own: the true cost of each mix, from 40,000 fields, lies
     * in its interval in nine of ten at least, and the means do not lean.
     */
    #[DataProvider('worlds')]
    public function test_the_interval_holds_the_true_cost(int $n, float $spread, float $bias): void
    {
        $dice = new Dice(77);
        $limits = ActionLimits::of([6.0, 7.3]);
        $costs = Costs::of(20, 0, 4, 0, 0, 100, 40);
        $field = static function () use ($dice, $limits, $spread, $bias): array {
            $truth = 5.2 + 0.7 * exp(0.2 + 0.45 * $dice->normal());
            $test = $truth + $bias + $spread * $dice->normal();
            $close = min(abs($test - 6.0), abs($test - 7.3)) < 0.15;

            return [
                $limits->classOf($truth),
                $limits->classOf($truth + 0.06 * $dice->normal()),
                new Witness($truth + 0.06 * $dice->normal(), $limits->classOf($test), $close, $limits, $test),
            ];
        };
        $true = ['lab' => 0.0, 'test' => 0.0, 'both' => 0.0];
        $wrong = static fn (int $done, int $right): float => $done > $right ? 100.0 : ($done < $right ? 40.0 : 0.0);
        for ($i = 0; $i < 40_000; $i++) {
            [$right, $lab, $witness] = $field();
            $true['lab'] += (20 + $wrong($lab, $right)) / 40_000;
            $true['test'] += (4 + $wrong((int) $witness->testClass, $right)) / 40_000;
            $sent = $witness->testIsClose;
            $true['both'] += (4 + ($sent ? 20 : 0) + $wrong($sent ? $lab : (int) $witness->testClass, $right)) / 40_000;
        }
        [$held, $off, $sets] = [['lab' => 0, 'test' => 0, 'both' => 0], ['lab' => 0.0, 'test' => 0.0, 'both' => 0.0], 60];
        for ($set = 0; $set < $sets; $set++) {
            $witnesses = array_map(static fn (): Witness => $field()[2], range(1, $n));
            foreach (Strategies::compare($witnesses, $costs, new LabError(0.06), null, 0.0, 5)['outcomes'] as $one) {
                [$low, $high] = $one->interval;
                $held[$one->strategy] += $low <= $true[$one->strategy] && $true[$one->strategy] <= $high ? 1 : 0;
                $off[$one->strategy] += ($one->cost - $true[$one->strategy]) / $sets;
            }
        }
        foreach ($held as $name => $times) {
            self::assertGreaterThanOrEqual(0.9 * $sets, $times, $name);
            self::assertEqualsWithDelta(0.0, $off[$name], 2.0, "{$name} leans");
        }
    }
}
