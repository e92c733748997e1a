<?php

declare(strict_types=1);

namespace HonestCore\Tests\Colour;

use HonestCore\Colour\LabColour;
use HonestCore\Colour\Srgb;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\TestCase;

final class SrgbTest extends TestCase
{
    /** Base R rounds the primaries and white of sRGB otherwise, so that it agrees to half a unit only. */
    public function test_lab_of_sixty_colours_agrees_with_r(): void
    {
        /** @var array{rgb: list<array{float, float, float}>, lab: list<array{float, float, float}>} $data */
        $data = ReferenceData::of('bench');
        foreach ($data['rgb'] as $i => $stored) {
            $lab = Srgb::toLab([
                Srgb::decode((float) $stored[0]),
                Srgb::decode((float) $stored[1]),
                Srgb::decode((float) $stored[2]),
            ]);
            foreach ([$lab->lightness, $lab->a, $lab->b] as $j => $value) {
                self::assertEqualsWithDelta($data['lab'][$i][$j], $value, 0.55, "colour {$i}, coordinate {$j}");
            }
        }
    }

    /** The primaries as commonly tabled for D65 and the 2° observer (figures written from memory). */
    public function test_lab_of_the_primaries(): void
    {
        foreach (
            [
                [[1.0, 0.0, 0.0], [53.24, 80.09, 67.2]],
                [[0.0, 1.0, 0.0], [87.73, -86.18, 83.18]],
                [[0.0, 0.0, 1.0], [32.3, 79.19, -107.86]],
            ] as [$light, $expected]
        ) {
            $lab = Srgb::toLab($light);
            self::assertEqualsWithDelta($expected, [$lab->lightness, $lab->a, $lab->b], 0.02);
        }
        $white = Srgb::toLab([1.0, 1.0, 1.0]);
        self::assertEqualsWithDelta([100.0, 0.0, 0.0], [$white->lightness, $white->a, $white->b], 0.01);
    }

    public function test_there_and_back_is_the_same_colour(): void
    {
        for ($i = 0; $i < 200; $i++) {
            $light = [fmod($i * 0.37, 1), fmod($i * 0.61, 1), fmod($i * 0.83, 1)];
            self::assertEqualsWithDelta($light, Srgb::ofLab(Srgb::toLab($light)), 1e-5);
            self::assertEqualsWithDelta($light[0], Srgb::decode(Srgb::encode($light[0])), 1e-12);
        }
    }

    public function test_a_colour_that_no_screen_shows_is_clipped_and_said_to_be(): void
    {
        $shown = Srgb::ofLab(LabColour::of(60, 40, 40));
        $beyond = Srgb::ofLab(LabColour::of(60, 120, 100));

        self::assertSame([true, false], [Srgb::isShown($shown), Srgb::isShown($beyond)]);
        self::assertMatchesRegularExpression('/^#[0-9a-f]{6}$/', Srgb::hex($beyond));
        self::assertSame('#ffffff', Srgb::hex([1.0, 1.0, 1.0]));
        self::assertSame('#000000', Srgb::hex([0.0, -0.2, 0.0]));
    }
}
