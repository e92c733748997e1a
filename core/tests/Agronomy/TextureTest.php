<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agronomy;

use HonestCore\Agronomy\Texture;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** USDA Soil Survey Manual, chapter 3: the triangle's corners, middles and edges (written from memory). */
final class TextureTest extends TestCase
{
    /** @return iterable<string, array{float, float, float, string}> */
    public static function soils(): iterable
    {
        foreach (
            [
                [92, 5, 3, 'sand'],
                [82, 12, 6, 'loamy sand'],
                [65, 25, 10, 'sandy loam'],
                [40, 40, 20, 'loam'],
                [20, 65, 15, 'silt loam'],
                [7, 87, 6, 'silt'],
                [60, 13, 27, 'sandy clay loam'],
                [32, 34, 34, 'clay loam'],
                [10, 56, 34, 'silty clay loam'],
                [52, 7, 41, 'sandy clay'],
                [7, 47, 46, 'silty clay'],
                [20, 20, 60, 'clay'],
                [0, 0, 100, 'clay'],
                [100, 0, 0, 'sand'],
                [0, 100, 0, 'silt'],
                [45, 28, 27, 'clay loam'],
                [45.1, 27.9, 27, 'sandy clay loam'],
                [20, 53, 27, 'silty clay loam'],
                [52, 41, 7, 'loam'],
                [52.1, 40.9, 7, 'sandy loam'],
                [8, 80, 12, 'silt loam'],
                [8.1, 80, 11.9, 'silt'],
                [45, 20, 35, 'clay loam'],
                [45.1, 19.9, 35, 'sandy clay'],
                [45, 15, 40, 'clay'],
            ] as [$sand, $silt, $clay, $class]
        ) {
            yield "{$sand}/{$silt}/{$clay}" => [$sand, $silt, $clay, $class];
        }
    }

    #[DataProvider('soils')]
    public function test_the_class(float $sand, float $silt, float $clay, string $class): void
    {
        self::assertSame($class, Texture::ofPercent($sand, $silt, $clay)->className());
    }

    public function test_every_soil_has_a_class_and_neighbours_cover_the_triangle(): void
    {
        $seen = [];
        for ($clay = 0; $clay <= 100; $clay++) {
            for ($sand = 0; $sand + $clay <= 100; $sand++) {
                $seen[Texture::ofPercent($sand, 100 - $sand - $clay, $clay)->className()] = true;
            }
        }

        self::assertCount(12, $seen);
    }

    /** Common practice: a lab report of 74/20/5 misses 100 by rounding. */
    public function test_a_report_that_misses_100_by_rounding_is_scaled_and_says_so(): void
    {
        $it = Texture::ofPercent(74, 20, 5);

        self::assertTrue($it->scaled);
        self::assertEqualsWithDelta(100, $it->sand + $it->silt + $it->clay, 1e-9);
        self::assertSame('sandy loam', $it->className());
        self::assertFalse(Texture::ofPercent(74, 20, 6)->scaled);
    }

    public function test_layers_of_a_jar_are_volumes(): void
    {
        $it = Texture::ofLayers(30, 15, 5);

        self::assertSame('volume', $it->by);
        self::assertEqualsWithDelta(60, $it->sand, 1e-9);
    }

    public function test_shares_that_are_none_are_refused(): void
    {
        foreach ([[74, 20, 2], [-1, 50, 51], [60, 60, 60], [NAN, 50, 50]] as [$sand, $silt, $clay]) {
            try {
                Texture::ofPercent($sand, $silt, $clay);
                self::fail("{$sand}/{$silt}/{$clay} was accepted");
            } catch (CoreError $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
    }
}
