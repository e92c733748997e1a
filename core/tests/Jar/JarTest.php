<?php

declare(strict_types=1);

namespace HonestCore\Tests\Jar;

use HonestCore\Agronomy\Texture;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Bench\StepKind;
use HonestCore\Error\CoreError;
use HonestCore\Jar\JarSteps;
use HonestCore\Jar\JarTexture;
use HonestCore\Jar\Stokes;
use HonestCore\Jar\TextureOutlines;
use HonestCore\Jar\Water;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(JarSteps::class)]
#[CoversClass(JarTexture::class)]
#[CoversClass(TextureOutlines::class)]
final class JarTest extends TestCase
{
    /**
     * Viscosity of water in mPa s at 0.101325 MPa: IAPWS 2008 formulation, tabled values; density in kg/m³: IAPWS-95
     * (both written from memory).
     *
     * @return iterable<string, array{float, float, float}>
     */
    public static function water(): iterable
    {
        yield '0 °C' => [0.0, 1.7916, 999.84];
        yield '5 °C' => [5.0, 1.5182, 999.97];
        yield '10 °C' => [10.0, 1.3059, 999.7];
        yield '20 °C' => [20.0, 1.0016, 998.21];
        yield '25 °C' => [25.0, 0.89, 997.05];
        yield '30 °C' => [30.0, 0.7972, 995.65];
        yield '40 °C' => [40.0, 0.6527, 992.22];
    }

    #[DataProvider('water')]
    public function test_water_is_as_tabled(float $celsius, float $viscosity, float $density): void
    {
        self::assertEqualsWithDelta($viscosity, 1000 * Water::viscosityPaS($celsius), 0.001 * $viscosity);
        self::assertEqualsWithDelta($density, Water::densityKgPerM3($celsius), 0.01);
    }

    /** Common practice: 50 µm falls 10 cm in about 45 s and 2 µm in about 7.7 h at 20 °C. */
    public function test_sinking_times_of_practice(): void
    {
        self::assertEqualsWithDelta(45, Stokes::secondsToSink(50, 10, 20), 1);
        self::assertEqualsWithDelta(7.7, Stokes::secondsToSink(2, 10, 20) / 3600, 0.05);
    }

    /** From the law itself: time grows with the depth, falls with the square of the grain and follows the viscosity. */
    public function test_the_law_scales_as_it_must(): void
    {
        $one = Stokes::secondsToSink(10, 10, 20);

        self::assertEqualsWithDelta(2 * $one, Stokes::secondsToSink(10, 20, 20), 1e-9 * $one);
        self::assertEqualsWithDelta($one / 4, Stokes::secondsToSink(20, 10, 20), 1e-9 * $one);
        $colder =
            ((Water::viscosityPaS(10) / Water::viscosityPaS(20)) * (2650 - Water::densityKgPerM3(20))) /
            (2650 - Water::densityKgPerM3(10));
        self::assertEqualsWithDelta($colder * $one, Stokes::secondsToSink(10, 10, 10), 1e-9 * $one);
    }

    public function test_grains_and_waters_outside_of_the_law_are_refused(): void
    {
        foreach (
            [
                [200.0, 10.0, 20.0, 'too fast'],
                [0.0, 10.0, 20.0, 'diameter'],
                [2.0, 0.0, 20.0, 'depth'],
                [2.0, 10.0, 55.0, 'temperature'],
                [NAN, 10.0, 20.0, 'diameter'],
                [2.0, 10.0, -1.0, '°C'],
            ] as [$um, $cm, $celsius, $words]
        ) {
            try {
                Stokes::secondsToSink($um, $cm, $celsius);
                self::fail("{$um} {$cm} {$celsius} was accepted.");
            } catch (CoreError $error) {
                self::assertStringContainsString($words, $error->getMessage());
            }
        }
    }

    public function test_the_waits_of_a_jar_add_up_to_the_sinking_times(): void
    {
        $steps = JarSteps::timed(MethodLibrary::get('jar-texture')->steps, 16.0, 18.0);
        $falls = array_values(array_filter($steps, static fn ($step): bool => $step->stokesMicrometres !== null));

        self::assertEqualsWithDelta(Stokes::secondsToSink(50, 16, 18), (float) $falls[0]->aimS, 0.5);
        self::assertEqualsWithDelta(
            Stokes::secondsToSink(2, 16, 18),
            (float) $falls[0]->aimS + (float) $falls[1]->aimS,
            1.0,
        );
        foreach ($steps as $step) {
            if ($step->kind === StepKind::Wait) {
                self::assertTrue($step->leastS < $step->aimS && $step->aimS < $step->mostS, $step->code);
            }
        }
    }

    /**
     * Soil Survey Manual, chapter 3: outlines of the classes against the rules of the classes, on every half percent.
     */
    public function test_classes_by_rule_and_by_outline_agree_on_a_dense_set(): void
    {
        $outlines = TextureOutlines::all();
        $checked = 0;
        for ($clay = 0.25; $clay < 100; $clay += 0.5) {
            for ($silt = 0.25; $silt < 100 - $clay; $silt += 0.5) {
                $inside = array_values(
                    array_filter(
                        $outlines,
                        static fn (array $one): bool => self::contains($one['points'], $clay, $silt),
                    ),
                );
                self::assertCount(1, $inside, "clay {$clay}, silt {$silt}: classes neither overlap nor leave a gap");
                self::assertSame(
                    $inside[0]['class'],
                    Texture::ofPercent(100 - $clay - $silt, $silt, $clay)->className(),
                    "clay {$clay}, silt {$silt}",
                );
                $checked++;
            }
        }
        self::assertGreaterThan(19_000, $checked);
        self::assertCount(12, $outlines);
    }

    public function test_shares_follow_from_heights(): void
    {
        $jar = JarTexture::ofHeights(40, 80, 100, 1);

        self::assertEqualsWithDelta(
            [40, 40, 20],
            [$jar->texture->sand, $jar->texture->silt, $jar->texture->clay],
            1e-12,
        );
        self::assertSame('loam', $jar->texture->className());
        self::assertSame('volume', $jar->texture->by);
        // 41 of 99 is the most sand, 39 of 101 the least.
        self::assertEqualsWithDelta(
            [(100 * 39) / 101, (100 * 41) / 99],
            [$jar->ranges['sand']['from'], $jar->ranges['sand']['to']],
            1e-9,
        );
    }

    public function test_a_soil_near_a_border_may_be_of_either_class(): void
    {
        self::assertSame(['loam'], JarTexture::ofHeights(40, 80, 100, 0.5)->classes());
        self::assertEqualsCanonicalizing(['sandy loam', 'loam'], JarTexture::ofHeights(52, 90, 100, 1)->classes());
    }

    /**
     * Heights that are off by no more than the error give shares in the ranges, a class that was named, and a place in
     * the region.
     */
    public function test_whatever_the_reading_error_was_it_was_allowed_for(): void
    {
        for ($i = 0; $i < 60; $i++) {
            [$sand, $silt, $all] = [
                10 + (($i * 13) % 50),
                30 + (($i * 13) % 50) + (($i * 7) % 30),
                66 + (($i * 13) % 50) + (($i * 7) % 30),
            ];
            $jar = JarTexture::ofHeights($sand, $silt, $all, 1.5);
            [$classes, $region] = [$jar->classes(8), $jar->region()];
            foreach ([[1, -1, 0.5], [-0.7, 0.2, 1], [0, 0.9, -1], [0.3, -0.4, -0.8]] as [$a, $b, $c]) {
                $moved = Texture::ofLayers(
                    $sand + 1.5 * $a,
                    $silt + 1.5 * $b - $sand - 1.5 * $a,
                    $all + 1.5 * $c - $silt - 1.5 * $b,
                );
                foreach (['sand', 'silt', 'clay'] as $share) {
                    self::assertTrue(
                        $moved->{$share} >= $jar->ranges[$share]['from'] - 1e-9 &&
                            $moved->{$share} <= $jar->ranges[$share]['to'] + 1e-9,
                        $share,
                    );
                }
                self::assertTrue(self::contains($region, $moved->clay, $moved->silt, 1e-6), "jar {$i}");
            }
            self::assertContains($jar->texture->className(), $classes);
        }
    }

    public function test_layers_that_shrink_are_refused(): void
    {
        foreach (
            [
                [50.0, 40.0, 60.0],
                [10.0, 40.0, 30.0],
                [0.0, 0.0, 0.0],
                [-1.0, 2.0, 3.0],
                [1.0, 2.0, NAN],
                [1.0, 2.0, 1e5],
            ] as [$sand, $silt, $all]
        ) {
            try {
                JarTexture::ofHeights($sand, $silt, $all, 1);
                self::fail("{$sand} {$silt} {$all} was accepted.");
            } catch (CoreError $error) {
                self::assertMatchesRegularExpression('/only grow|must be from 0 to 1000/', $error->getMessage());
            }
        }
    }

    /** @param list<array{clay: float, silt: float}> $points a convex or any simple outline */
    private static function contains(array $points, float $clay, float $silt, float $near = 0.0): bool
    {
        $inside = false;
        for ($i = 0, $j = count($points) - 1; $i < count($points); $j = $i++) {
            [$a, $b] = [$points[$i], $points[$j]];
            if (
                $silt < $b['silt'] !== $a['silt'] > $silt &&
                $clay < (($b['clay'] - $a['clay']) * ($silt - $a['silt'])) / ($b['silt'] - $a['silt']) + $a['clay']
            ) {
                $inside = ! $inside;
            }
            if ($near > 0) {
                $length = hypot($b['clay'] - $a['clay'], $b['silt'] - $a['silt']);
                $across =
                    $length === 0.0
                        ? INF
                        : abs(
                            ($b['clay'] - $a['clay']) * ($silt - $a['silt']) -
                                ($b['silt'] - $a['silt']) * ($clay - $a['clay']),
                        ) / $length;
                if ($across < $near) {
                    return true;
                }
            }
        }

        return $inside;
    }
}
