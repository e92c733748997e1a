<?php

declare(strict_types=1);

namespace HonestCore\Tests\Amounts;

use HonestCore\Amounts\NitrogenCredits;
use HonestCore\Amounts\NitrogenRate;
use HonestCore\Amounts\NitrogenSplits;
use HonestCore\Amounts\NutrientQuestion;
use HonestCore\Amounts\NutrientRate;
use HonestCore\Amounts\SulphurRate;
use HonestCore\Error\CoreError;
use HonestCore\Quantity\AreaRate;
use HonestCore\Quantity\DepthLayer;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Rates reckoned by hand from the tables they rest on (sources in core/data). */
#[CoversClass(NitrogenCredits::class)]
#[CoversClass(NitrogenRate::class)]
#[CoversClass(NitrogenSplits::class)]
#[CoversClass(NutrientQuestion::class)]
#[CoversClass(NutrientRate::class)]
#[CoversClass(SulphurRate::class)]
final class RatesTest extends TestCase
{
    /**
     * @return iterable<string, array{SulphurRate, string, float|null, list<float>|null}> answer, lb/100 sq ft,
     *                                                                                    dressings
     */
    public static function sulphur(): iterable
    {
        yield 'loam from 6.5 to 5.0' => [SulphurRate::of(6.5, 5.0, 'loam'), 'amount', 4.6 - 1.2, [1.7, 1.7]];
        yield 'sand between steps' => [SulphurRate::of(6.25, 4.75, 'sand'), 'amount', 1.35 - 0.2, [1.15]];
        yield 'twice as deep' => [
            SulphurRate::of(6.5, 5.0, 'sand', depthIn: 12),
            'amount',
            2 * (1.5 - 0.4),
            [1.1, 1.1],
        ];
        yield 'just one dressing' => [SulphurRate::of(6.5, 5.0, 'sand', most: 1.1), 'amount', 1.1, [1.1]];
        yield 'at its target' => [SulphurRate::of(5.0, 5.0, 'loam', fizzes: true), 'none', 0.0, []];
        yield 'it fizzes' => [SulphurRate::of(6.5, 5.0, 'loam', fizzes: true), 'stop', null, null];
        yield 'half a percent' => [SulphurRate::of(6.5, 5.0, 'loam', carbonate: 0.5), 'stop', null, null];
        yield 'less of it' => [SulphurRate::of(6.5, 5.0, 'loam', carbonate: 0.49), 'amount', 3.4, [1.7, 1.7]];
        yield 'clay' => [SulphurRate::of(6.5, 5.0, 'clay'), 'unable', null, null];
        yield 'no texture' => [SulphurRate::of(6.5, 5.0), 'unable', null, null];
        yield 'past the table' => [SulphurRate::of(7.6, 5.0, 'loam'), 'unable', null, null];
        yield 'below the table' => [SulphurRate::of(6.5, 4.4, 'loam'), 'unable', null, null];
        yield 'by capacity' => [
            SulphurRate::of(6.5, 5.5, capacity: 900.0),
            'amount',
            ((32.06 / 100.09) * 0.3 * 900 * 6) / 435.6,
            [((32.06 / 100.09) * 0.3 * 900 * 6) / 435.6],
        ];
        yield 'by capacity on clay' => [
            SulphurRate::of(6.5, 6.4, 'clay', capacity: 900.0),
            'amount',
            ((32.06 / 100.09) * 0.3 * 900 * 0.1 * 6) / 435.6,
            [((32.06 / 100.09) * 0.3 * 900 * 0.1 * 6) / 435.6],
        ];
        yield 'high, and no carbonate measured' => [
            SulphurRate::of(7.6, 6.5, fizzes: false, capacity: 900.0),
            'unable',
            null,
            null,
        ];
        yield 'high, and little of it' => [
            SulphurRate::of(7.6, 7.5, carbonate: 0.1, capacity: 900.0),
            'amount',
            ((32.06 / 100.09) * 0.3 * 900 * 0.1 * 6) / 435.6,
            [((32.06 / 100.09) * 0.3 * 900 * 0.1 * 6) / 435.6],
        ];
    }

    /** @param list<float>|null $dressings */
    #[DataProvider('sulphur')]
    public function test_sulphur_and_its_stop(SulphurRate $found, string $answer, ?float $rate, ?array $dressings): void
    {
        $shown = $found->toArray();
        self::assertSame($answer, $shown['answer']);
        $rate === null
            ? self::assertNull($shown['lb_per_100sqft'])
            : self::assertEqualsWithDelta($rate, $shown['lb_per_100sqft'], 1e-9);
        $dressings === null
            ? self::assertNull($shown['dressings'])
            : self::assertEqualsWithDelta($dressings, $shown['dressings'], 1e-9);
        self::assertNotSame([], $shown['reasons']);
    }

    /**
     * Each 1 % of carbonate in 6 2/3 in eats about 6,400 lb (common practice); above 7.3 the causes are asked for
     * first.
     */
    public function test_carbonate_and_causes(): void
    {
        self::assertEqualsWithDelta(
            6400,
            SulphurRate::of(7.9, 6.5, carbonate: 1.0, depthIn: 20 / 3)->carbonateLbPerAcre,
            10,
        );
        self::assertNull(SulphurRate::of(7.9, 6.5, fizzes: true)->carbonateLbPerAcre);
        self::assertNotSame([], SulphurRate::of(7.31, 6.5, 'loam')->ask);
        self::assertSame([], SulphurRate::of(7.3, 6.5, 'loam')->ask);
    }

    /**
     * @return iterable<string, array{NutrientQuestion, string|null, float|null, float|null, float|null}> class, rate,
     *                                                                                                    build, removal
     */
    public static function nutrients(): iterable
    {
        $p = static fn (float $value, ?float $yield = 180.0, float $u = 0.0): NutrientQuestion => NutrientQuestion::of(
            'p',
            $value,
            'corn',
            yield: $yield,
            u: $u,
        );
        yield 'P builds up' => [$p(12), 'build', (8 * 20) / 4 + 63, 40.0, 63.0];
        yield 'on the critical level' => [$p(20), 'maintain', 63.0, 0.0, 63.0];
        yield 'on the limit' => [$p(40), 'none', 0.0, 0.0, 0.0];
        yield 'no yield' => [$p(12, null), 'build', null, 40.0, null];
        yield 'no yield, and none' => [$p(41, null), 'none', 0.0, 0.0, 0.0];
        yield 'K on sand' => [
            NutrientQuestion::of('k', 90.0, 'soybean', yield: 50.0, cec: 4.0),
            'build',
            (10 * 4 * 1.2) / 4 + 57.5,
            12.0,
            57.5,
        ];
        yield 'K on loam' => [
            NutrientQuestion::of('k', 115.0, 'alfalfa', yield: 6.0, cec: 12.0),
            'build',
            (5 * 4 * 1.6) / 4 + 294,
            8.0,
            294.0,
        ];
        yield 'K without CEC' => [NutrientQuestion::of('k', 115.0, 'alfalfa', yield: 6.0), null, null, null, null];
        yield 'K without CEC by own limits' => [
            NutrientQuestion::of('k', 100.0, 'corn', yield: 100.0, ownLimits: [120.0, 170.0]),
            'build',
            null,
            null,
            20.0,
        ];
        yield 'and maintained' => [
            NutrientQuestion::of('k', 130.0, 'corn', yield: 100.0, ownLimits: [120.0, 170.0]),
            'maintain',
            20.0,
            0.0,
            20.0,
        ];
        yield 'another extractant' => [NutrientQuestion::of('p', 12.0, 'corn', 'olsen', 180.0), null, null, null, null];
        yield 'its own limits' => [
            NutrientQuestion::of('p', 6.0, 'wheat', 'olsen', 60.0, ownLimits: [10.0, 20.0]),
            'build',
            20.0 + 30.0,
            20.0,
            30.0,
        ];
        yield 'sufficiency' => [
            NutrientQuestion::of('p', 5.0, 'corn', bySufficiency: true, x0: 80.0),
            'build',
            60.0,
            null,
            null,
        ];
        yield 'sufficiency between' => [
            NutrientQuestion::of('p', 25.0, 'corn', bySufficiency: true, x0: 80.0),
            'maintain',
            0.0,
            null,
            null,
        ];
        yield 'sufficiency at a critical level of nothing' => [
            NutrientQuestion::of('p', 0.0, 'corn', bySufficiency: true, x0: 80.0, ownLimits: [0.0, 10.0]),
            'maintain',
            0.0,
            null,
            null,
        ];
    }

    #[DataProvider('nutrients')]
    public function test_phosphate_and_potash(
        NutrientQuestion $asked,
        ?string $class,
        ?float $rate,
        ?float $build,
        ?float $removal,
    ): void {
        $found = NutrientRate::of($asked);
        self::assertSame($class, $found->class);
        foreach (
            [[$rate, $found->lbPerAcre], [$build, $found->build], [$removal, $found->removal]] as [$expected, $given]
        ) {
            $expected === null ? self::assertNull($given) : self::assertEqualsWithDelta($expected, $given, 1e-9);
        }
        self::assertSame($class === null, $found->tooClose === null);
    }

    public function test_a_class_within_the_uncertainty_is_too_close(): void
    {
        $found = NutrientRate::of(NutrientQuestion::of('p', 18.0, 'corn', yield: 100.0, u: 1.0));
        self::assertTrue($found->tooClose);
        self::assertEqualsWithDelta([35.0, (20 * 4) / 4 + 35.0], $found->between, 1e-9);
        self::assertFalse(NutrientRate::of(NutrientQuestion::of('p', 18.0, 'corn', u: 0.99))->tooClose);
        self::assertEqualsWithDelta(
            (20 * 20) / 4 + 35.0,
            NutrientRate::of(NutrientQuestion::of('p', 1.0, 'corn', yield: 100.0, u: 5.0))->between[1],
            1e-9,
            'not below 0 ppm',
        );
    }

    public function test_what_is_not_said_credits_nothing(): void
    {
        self::assertSame(0.0, NitrogenCredits::of(manureTons: 10)->manure, 'manure of no known analysis');
        self::assertSame(20.0, NitrogenCredits::of(manureTons: 10, ammonium: 4)->manure, 'half of the ammonium is kept');
        self::assertSame(7.0, NitrogenCredits::of(manureTons: 10, organic: 2)->manure, '35 % of the organic mineralises');
        self::assertSame(0.0, NitrogenCredits::of(irrigationPpm: 8)->irrigation);
        self::assertSame(0.0, NitrogenCredits::of()->legume + NitrogenCredits::of()->applied);
    }

    public function test_nitrogen_by_crop_and_credits(): void
    {
        $credits = NitrogenCredits::of(30, 10, 5, 4, 6, 0.5, 0.35, 8, 10);
        self::assertEqualsWithDelta(
            ['legume' => 30.0, 'applied' => 10.0, 'manure' => 5 * (2 + 2.1), 'irrigation' => 0.2266 * 80],
            $credits->toArray(),
            1e-9,
        );
        self::assertEqualsWithDelta(150 - 40 - 20.5 - 18.128, NitrogenRate::byCrop(150, $credits)->lbPerAcre, 1e-9);
        self::assertSame(0.0, NitrogenRate::byCrop(50, $credits)->lbPerAcre);
    }

    /** Blackmer and others: 8 (25 - ppm), for the layer it was made for alone. */
    public function test_nitrogen_by_a_nitrate_test(): void
    {
        $foot = DepthLayer::ofInches(0, 12);
        $found = NitrogenRate::byNitrate(12, $foot, 2);
        self::assertSame([104.0, [72.0, 136.0], null], [$found->lbPerAcre, $found->interval, $found->credits]);
        self::assertSame(
            [0.0, [0.0, 24.0]],
            [NitrogenRate::byNitrate(26, $foot, 2)->lbPerAcre, NitrogenRate::byNitrate(26, $foot, 2)->interval],
        );
        self::assertSame(
            [200.0, 200.0],
            [
                NitrogenRate::byNitrate(0, $foot, 2)->lbPerAcre,
                NitrogenRate::byNitrate(0, $foot, 2)->interval[1] ?? null,
            ],
        );
        self::assertSame(
            ['psnt', 'unable'],
            [
                NitrogenRate::byNitrate(12, DepthLayer::parse('0-30.48cm'))->basis,
                NitrogenRate::byNitrate(12, DepthLayer::ofInches(0, 6))->basis,
            ],
        );
        $near = static fn (string $layer): string => DepthLayer::parse($layer)->inWholeInches()->notation();
        self::assertSame(['0-12in', '2-6in'], [$near('0-30cm'), $near('5-15cm')], 'as somebody pulls it who measures in centimetres');
        self::assertSame(['0-11.5cm', '0-29cm', '0-6in'], [$near('0-11.5cm'), $near('0-29cm'), $near('0-6in')], 'and no other');
        self::assertNull(
            NitrogenRate::byNitrate(12, DepthLayer::ofInches(0, 6))->toArray(NitrogenSplits::parse('0:1'), null, 30)[
                'splits'
            ],
        );
    }

    public function test_splits_and_the_cap_of_poor_soils(): void
    {
        $quarters = NitrogenSplits::parse('0:0.25,14:0.25,28:0.25,42:0.25');
        self::assertSame(
            [[0.0, 30.0], [14.0, 30.0]],
            array_map(
                static fn (array $one): array => [$one['day'], $one['lb_per_acre']],
                array_slice($quarters->of(120, 4.0, 30), 0, 2),
            ),
            'none is above the cap',
        );
        self::assertSame(
            [[null, 25.0]],
            array_values(
                array_unique(
                    array_map(
                        static fn (array $one): array => [$one['day'], $one['lb_per_acre']],
                        NitrogenSplits::parse('0:1')->of(100, 4.99, 30),
                    ),
                    SORT_REGULAR,
                ),
            ),
        );
        self::assertCount(5, $quarters->of(124, 4.0, 30), 'five of 24.8');
        self::assertCount(4, $quarters->of(124, 5.0, 30));
        self::assertCount(1, NitrogenSplits::parse('0:1')->of(100, null, 30));
        foreach (['', '0', '0:0.5', '0:0.5,14:0.6', '-1:1', '0:1.5,1:-0.5', 'a:1', '0:1,'] as $notation) {
            try {
                NitrogenSplits::parse($notation);
                self::fail("{$notation} was taken");
            } catch (CoreError $error) {
                self::assertStringContainsString('--splits', $error->getMessage());
            }
        }
    }

    /** 43,560 square feet an acre; 1 lb/acre is 1.1208511 kg/ha. */
    public function test_masses_on_an_area(): void
    {
        $rate = AreaRate::ofLbPer100SqFt(1.0);
        self::assertEqualsWithDelta(
            [435.6, 10.0, 435.6 * 1.1208511],
            [$rate->lbPerAcre, $rate->lbPer1000SqFt(), $rate->kgPerHa()],
            1e-4,
        );
        self::assertSame(
            ['lb_per_acre' => null, 'lb_per_1000sqft' => null, 'kg_per_ha' => null],
            AreaRate::shown(null),
        );
    }

    public function test_figures_out_of_bounds_are_refused(): void
    {
        $acts = [
            static fn () => SulphurRate::of(2.9, 5.0),
            static fn () => SulphurRate::of(6.0, 5.0, most: 0.0),
            static fn () => SulphurRate::of(6.0, 5.0, carbonate: 101.0),
            static fn () => SulphurRate::of(6.0, 5.0, capacity: 0.0),
            static fn () => NutrientQuestion::of('n', 5.0, 'corn'),
            static fn () => NutrientQuestion::of('p', -1.0, 'corn'),
            static fn () => NutrientQuestion::of('p', 1.0, 'corn', years: 0.0),
            static fn () => NutrientQuestion::of('p', 1.0, 'corn', ownLimits: [20.0, 10.0]),
            static fn () => NutrientQuestion::of('p', 1.0, 'corn', bySufficiency: true),
            static fn () => NitrogenCredits::of(-1.0),
            static fn () => NitrogenCredits::of(kept: 1.1),
            static fn () => NitrogenRate::byCrop(-1.0, NitrogenCredits::of()),
            static fn () => NitrogenRate::byNitrate(NAN, DepthLayer::ofInches(0, 12)),
        ];
        foreach ($acts as $i => $act) {
            try {
                $act();
                self::fail("case {$i} was taken");
            } catch (CoreError $error) {
                self::assertSame('value_out_of_range', $error->errorCode());
            }
        }
    }
}
