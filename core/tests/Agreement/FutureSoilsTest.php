<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\FutureSoil;
use HonestCore\Agreement\FutureSoils;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\Scale;
use HonestCore\Tests\Dice;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

#[CoversClass(FutureSoil::class)]
#[Group('simulation')]
final class FutureSoilsTest extends TestCase
{
    /** Φ((7.3 - 6.1 - 0.1)/0.2) - Φ((6 - 6.1 - 0.1)/0.2) = 0.8413447 (R, pnorm(5.5) - pnorm(-1)). */
    public function test_a_soil_is_sent_right_as_often_as_its_reading_sorts_to_its_class(): void
    {
        $soil = new FutureSoil(6.1, 1, [[6.0, 7.3]], 0.0);

        self::assertEqualsWithDelta(0.8413447, $soil->right([0.1, 0.2]), 1e-6);
        self::assertSame(1.0, $soil->right([0.0, 0.0]), 'without any error');
        self::assertSame(0.0, $soil->right([-0.2, 0.0]));
        // Bands from 6.25 and from 6.75 on both sort to it: the chance of either.
        self::assertEqualsWithDelta(
            0.2266274 + 0.0062093,
            (new FutureSoil(6.1, 1, [[6.25, 6.75], [6.75, 7.25]], 0.0))->right([0.0, 0.2]) + 0.0062093,
            1e-5,
            'R, pnorm(5.75) - pnorm(0.75)',
        );
    }

    public function test_bias_and_spread_are_those_of_each_class_and_of_all_where_a_class_has_few(): void
    {
        $limits = ActionLimits::of([6.0, 7.3]);
        $pairs = [];
        foreach ([5.0, 5.2, 5.4, 5.6] as $i => $x) {
            $pairs[] = [$x, $x + 0.2 + 0.1 * ($i % 2), $limits];
        }
        foreach ([6.2, 6.5, 6.8, 7.0] as $i => $x) {
            $pairs[] = [$x, $x - 0.1 - 0.2 * ($i % 2), $limits];
        }
        $pairs[] = [7.8, 7.9, $limits];
        $model = FutureSoils::ofNumbers($pairs, self::policy()) ?? self::fail('There is a model.');

        self::assertSame([[0, 4], [1, 4], [2, 1]], array_map(static fn (array $one): array => [$one['class'], $one['n']], $model->classes));
        self::assertEqualsWithDelta([0.25, sqrt(0.01 / 3)], [$model->classes[0]['bias'], $model->classes[0]['sd']], 1e-9);
        self::assertEqualsWithDelta(-0.2, $model->classes[1]['bias'], 1e-9);
        self::assertEqualsWithDelta((4 * 0.25 - 4 * 0.2 + 0.1) / 9, $model->classes[2]['bias'], 1e-9, 'one pair takes that of all');
        self::assertNull($model->bands);
        self::assertNull(FutureSoils::ofNumbers(array_slice($pairs, 0, 4), self::policy()), 'four pairs make no model');
    }

    public function test_on_the_ratio_scale_errors_are_factors(): void
    {
        $limits = ActionLimits::of([20.0, 40.0]);
        $policy = Policy::of('p', $limits, 0.25, 0.5, 0.8, 0.95, Scale::Ratio);
        $pairs = array_map(static fn (int $i): array => [10.0 + 2 * $i, (10.0 + 2 * $i) * 1.1, $limits], range(0, 19));
        $model = FutureSoils::ofNumbers($pairs, $policy) ?? self::fail('There is a model.');

        self::assertEqualsWithDelta(log(1.1), $model->classes[0]['bias'], 1e-9);
        self::assertEqualsWithDelta(1.0, $model->within, 1e-9, 'a tenth is less than a quarter');
    }

    /** @return iterable<string, array{int, bool}> pairs, whether the test gives bands */
    public static function worlds(): iterable
    {
        yield '20 pairs of a pen' => [20, false];
        yield '60 pairs of a pen' => [60, false];
        yield '60 pairs of a kit' => [60, true];
    }

    /** The share that would be sent right, known from 20,000 soils, lies in the interval in about nine worlds of ten. */
    #[DataProvider('worlds')]
    public function test_its_interval_holds_what_comes(int $n, bool $kit): void
    {
        $dice = new Dice(41);
        $policy = self::policy();
        $scale = Bands::of(array_map(static fn (int $k): Band => new Band((string) $k, $k / 2 - 0.25, $k / 2 + 0.25), range(8, 18)));
        $band = static function (float $read) use ($scale): Band {
            foreach ($scale->bands as $one) {
                if ($one->contains(max(3.8, min(9.2, $read)))) {
                    return $one;
                }
            }
            throw new \LogicException('All is in some band.');
        };
        $soil = static fn (): float => 4.8 + 3.2 * $dice->share();
        $read = static fn (float $x): float => $x + 0.1 + $dice->normal(0.25);
        $right = static fn (float $x, float $y): bool => ($kit ? $band($y)->classIn($policy->limits) : $policy->limits->classOf($y)) ===
            $policy->limits->classOf($x);
        $true = 0.0;
        for ($i = 0; $i < 20_000; $i++) {
            $x = $soil();
            $true += $right($x, $read($x)) ? 1 / 20_000 : 0.0;
        }
        [$held, $lean, $sets] = [0, 0.0, 60];
        for ($set = 0; $set < $sets; $set++) {
            [$numbers, $bands] = [[], []];
            for ($i = 0; $i < $n; $i++) {
                $x = $soil();
                $y = $read($x);
                $numbers[] = [$x, $y, $policy->limits];
                $bands[] = [$x, $band($y), $policy->limits];
            }
            $model = ($kit ? FutureSoils::ofBands($bands, $policy, $scale) : FutureSoils::ofNumbers($numbers, $policy)) ?? self::fail();
            $held += $model->rightInterval[0] <= $true && $true <= $model->rightInterval[1] ? 1 : 0;
            $lean += ($model->right - $true) / $sets;
        }

        self::assertGreaterThanOrEqual(0.85 * $sets, $held);
        self::assertEqualsWithDelta(0.0, $lean, 0.02);
    }

    private static function policy(): Policy
    {
        return Policy::of('ph', ActionLimits::of([6.0, 7.3]), 0.3, 0.5, 0.8, 0.95, Scale::Absolute);
    }
}
