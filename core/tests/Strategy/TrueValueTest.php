<?php

declare(strict_types=1);

namespace HonestCore\Tests\Strategy;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Strategy\LabError;
use HonestCore\Strategy\TrueValue;
use HonestCore\Strategy\Witness;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(LabError::class)]
final class TrueValueTest extends TestCase
{
    /**
     * R, integrate(dnorm(t, mean, sd) * pnorm(...)) over each class between the limits 6 and 7.3, to 1e-11.
     *
     * @return iterable<string, array{float, float, float, float, float}>
     */
    public static function sights(): iterable
    {
        yield 'near a limit' => [6.05, 0.10, 0.06, 0.0649118527, 0.0904281859];
        yield 'a poor sight' => [5.95, 0.05, 0.20, 0.3166381000, 0.0711107759];
        yield 'over all classes' => [6.60, 0.60, 0.10, 0.0295215393, 0.0295999918];
        yield 'the upper limit' => [7.20, 0.30, 0.30, 0.1393682079, 0.1042843567];
        yield 'on the limit, far more error than spread' => [6.00, 0.02, 0.50, 0.2461993549, 0.2436371943];
        yield 'far from both' => [6.50, 0.02, 0.02, 0.0, 0.0];
    }

    #[DataProvider('sights')]
    public function test_chances_of_being_seen_on_the_wrong_side(float $mean, float $sd, float $seen, float $under, float $over): void
    {
        self::assertEqualsWithDelta(
            [$under, $over],
            (new TrueValue($mean, $sd))->missesOfSight($seen, ActionLimits::of([6.0, 7.3])),
            1e-6,
        );
    }

    public function test_what_is_known_exactly_is_missed_only_by_the_sight_of_it(): void
    {
        $limits = ActionLimits::of([6.0, 7.3]);

        // Φ(-0.1/0.06) = 0.0477904 (R, pnorm).
        self::assertEqualsWithDelta([0.0, 0.0477904], (new TrueValue(6.1, 0.0))->missesOfSight(0.06, $limits), 1e-7);
        self::assertSame([0.0, 0.0], (new TrueValue(6.1, 0.3))->missesOfSight(0.0, $limits));
        self::assertSame([0.0, 1.0], (new TrueValue(6.1, 0.0))->missesOfClass(0, $limits));
    }

    public function test_a_class_is_too_little_for_ground_below_it_and_too_much_for_ground_above(): void
    {
        $limits = ActionLimits::of([6.0, 7.3]);
        $truth = new TrueValue(6.0, 0.2);

        self::assertEqualsWithDelta([0.0, 0.5], $truth->missesOfClass(0, $limits), 1e-9);
        self::assertEqualsWithDelta([0.5, 0.0], $truth->missesOfClass(1, $limits), 1e-9);
        self::assertEqualsWithDelta([1.0, 0.0], $truth->missesOfClass(2, $limits), 1e-9);
    }

    /** Differences of 0.2 and 0.4, spread 0.1155: with 0.0577 of it the lab's, test and lab are weighed 1 to 3. */
    public function test_the_error_of_the_lab_is_taken_out_of_the_differences_before_the_truth_is_weighed(): void
    {
        $limits = ActionLimits::of([6.0]);
        $witnesses = array_map(
            static fn (float $by): Witness => new Witness(6.0, 0, false, $limits, 6.0 + $by),
            [0.2, 0.4, 0.2, 0.4],
        );
        $own = sqrt(0.04 / 3) / 2;
        $truths = TrueValue::ofAll($witnesses, new LabError($own, 0.3));

        // Bias 0.3; the test says 5.9 and 6.1 of a lab's 6.0.
        self::assertEqualsWithDelta(
            [0.75 * 6.0 + 0.25 * 5.9, 0.75 * 6.0 + 0.25 * 6.1],
            [$truths[0]->mean, $truths[1]->mean],
            1e-9,
        );
        self::assertEqualsWithDelta(sqrt(0.75 * $own ** 2 + 0.09), $truths[0]->sd, 1e-9);
    }

    public function test_a_lab_worse_than_all_the_differences_leaves_the_test_as_the_truth(): void
    {
        $limits = ActionLimits::of([6.0]);
        $witnesses = array_map(
            static fn (float $by): Witness => new Witness(6.0, 0, false, $limits, 6.0 + $by),
            [0.1, 0.2, 0.1, 0.2],
        );
        $truths = TrueValue::ofAll($witnesses, new LabError(0.5));

        self::assertEqualsWithDelta([5.95, 0.0], [$truths[0]->mean, $truths[0]->sd], 1e-9);
    }

    public function test_without_figures_or_with_too_few_the_lab_alone_stands_for_the_truth(): void
    {
        $limits = ActionLimits::of([6.0]);
        $open = array_fill(0, 6, new Witness(6.2, 1, false, $limits));
        $two = [new Witness(6.2, 1, false, $limits, 6.9), new Witness(6.2, 1, false, $limits, 6.4), ...$open];
        foreach ([$open, $two] as $witnesses) {
            foreach (TrueValue::ofAll($witnesses, LabError::ofWhole(0.5, 0.3)) as $truth) {
                self::assertEqualsWithDelta([6.2, 0.5], [$truth->mean, $truth->sd], 1e-9);
            }
        }
    }

    public function test_the_whole_error_parts_into_the_labs_own_and_sampling(): void
    {
        $error = LabError::ofWhole(0.5, 0.3);

        self::assertEqualsWithDelta([0.3, 0.4, 0.5], [$error->analysis, $error->sampling, $error->whole()], 1e-12);
        self::assertEqualsWithDelta([0.2, 0.0], [LabError::ofWhole(0.2, 0.3)->analysis, LabError::ofWhole(0.2, 0.3)->sampling], 1e-12);
    }
}
