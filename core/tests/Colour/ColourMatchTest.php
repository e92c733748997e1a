<?php

declare(strict_types=1);

namespace HonestCore\Tests\Colour;

use HonestCore\Bench\MethodLibrary;
use HonestCore\Colour\Ciede2000;
use HonestCore\Colour\ColourMatch;
use HonestCore\Colour\LabColour;
use HonestCore\Colour\Patch;
use HonestCore\Colour\Srgb;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Patches of made-up photos, whose true colours are known. */
#[CoversClass(LabColour::class)]
#[CoversClass(Patch::class)]
final class ColourMatchTest extends TestCase
{
    private const DAYLIGHT = [1.0, 1.0, 1.0];

    /** @var list<array{float, float, float}> */
    private const LIGHTS = [self::DAYLIGHT, [0.9, 0.84, 0.68], [0.62, 0.7, 0.85], [0.45, 0.45, 0.45]];

    public function test_a_swatch_is_found_again_under_any_even_light(): void
    {
        foreach (self::swatches() as $name => $colour) {
            foreach (self::LIGHTS as $light) {
                $match = $this->match($colour, $light);
                self::assertSame(
                    [(string) $name, 'clear'],
                    [$match->swatches[0]['name'], $match->safety],
                    "{$name} under ".implode(' ', $light),
                );
                self::assertLessThan(1.5, $match->swatches[0]['difference']);
            }
        }
    }

    /** Differences under one light are those of the colours themselves, but for the eight bits of a channel. */
    public function test_differences_are_those_of_the_true_colours(): void
    {
        $tube = LabColour::of(68.0, -15.0, 41.0);
        $match = $this->match($tube, self::DAYLIGHT);
        foreach ($match->swatches as $swatch) {
            self::assertEqualsWithDelta(
                Ciede2000::between($tube, self::swatches()[$swatch['name']]),
                $swatch['difference'],
                0.6,
                $swatch['name'],
            );
        }
    }

    public function test_a_colour_between_two_swatches_is_called_close_and_a_strange_one_no_match(): void
    {
        [$one, $other] = [self::swatches()['6.0'], self::swatches()['6.5']];
        $middle = LabColour::of(
            ($one->lightness + $other->lightness) / 2,
            ($one->a + $other->a) / 2,
            ($one->b + $other->b) / 2,
        );
        $match = $this->match($middle, self::DAYLIGHT);

        self::assertSame('close', $match->safety);
        self::assertEqualsCanonicalizing(['6.0', '6.5'], array_column(array_slice($match->swatches, 0, 2), 'name'));
        self::assertStringContainsString('between the two', $match->words);
        self::assertSame('none', $this->match(LabColour::of(40, 30, -50), self::DAYLIGHT)->safety);
    }

    /** The rougher the patches, the further the next swatch must be. */
    public function test_an_uneven_patch_makes_the_same_colour_less_safe(): void
    {
        $colour = LabColour::of(69.5, -11.5, 44.0);
        $smooth = $this->match($colour, self::DAYLIGHT);
        $rough = $this->match($colour, self::DAYLIGHT, 45);

        self::assertSame('clear', $smooth->safety);
        self::assertSame('close', $rough->safety);
        self::assertGreaterThan(3 * $smooth->unevenness + 1, $rough->unevenness);
    }

    /** @return iterable<string, array{list<int>, string}> */
    public static function whites(): iterable
    {
        yield 'burnt out' => [array_fill(0, 300, 255), 'burnt out'];
        yield 'dark' => [array_fill(0, 300, 40), 'dark'];
        yield 'not white' => [array_merge(...array_fill(0, 100, [240, 200, 120])), 'coloured'];
    }

    /** @param list<int> $white */
    #[DataProvider('whites')]
    public function test_a_white_spot_that_is_none_is_refused_in_words(array $white, string $words): void
    {
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage($words);
        $some = Patch::of('a', array_fill(0, 300, 120));
        ColourMatch::of($some, Patch::of('the white spot', $white), [$some, Patch::of('b', array_fill(0, 300, 140))]);
    }

    /** @return iterable<string, array{list<int>, string}> */
    public static function patches(): iterable
    {
        yield 'too few pixels' => [array_fill(0, 9, 1), 'three for each of 9 to 2500'];
        yield 'a channel missing' => [array_fill(0, 301, 1), 'three for each'];
        yield 'too many' => [array_fill(0, 9000, 1), 'three for each'];
        yield 'off the scale' => [[...array_fill(0, 299, 1), 256], 'from 0 to 255'];
        yield 'below it' => [[...array_fill(0, 299, 1), -1], 'from 0 to 255'];
    }

    /** @param list<int> $pixels */
    #[DataProvider('patches')]
    public function test_a_patch_that_is_none_is_refused(array $pixels, string $words): void
    {
        $this->expectExceptionMessage($words);
        Patch::of('the tube', $pixels);
    }

    public function test_one_swatch_is_too_few(): void
    {
        $some = Patch::of('a', array_fill(0, 300, 120));
        $this->expectExceptionMessage('2 or more');
        ColourMatch::of($some, Patch::of('white', array_fill(0, 300, 230)), [$some]);
    }

    /** @param array{float, float, float} $light */
    private function match(LabColour $tube, array $light, int $rough = 2): ColourMatch
    {
        $swatches = [];
        foreach (self::swatches() as $name => $colour) {
            $swatches[] = self::patch((string) $name, $colour, $light, 2);
        }

        return ColourMatch::of(
            self::patch('the tube', $tube, $light, $rough),
            self::patch('the white spot', LabColour::of(99, 0, 0), $light, 1),
            $swatches,
        );
    }

    /**
     * Pixels of a colour under a light, a little uneven.
     *
     * @param array{float, float, float} $light
     */
    private static function patch(string $name, LabColour $colour, array $light, int $rough): Patch
    {
        $linear = Srgb::ofLab($colour);
        $pixels = [];
        for ($i = 0; $i < 100; $i++) {
            foreach ($linear as $j => $channel) {
                $stored = 255 * Srgb::encode(min(1.0, max(0.0, 0.9 * $channel * $light[$j])));
                $pixels[] = (int) round(min(255, max(0, $stored + ($rough * ((($i * 7 + $j * 3) % 11) - 5)) / 5)));
            }
        }

        return Patch::of($name, $pixels);
    }

    /** @return array<string, LabColour> */
    private static function swatches(): array
    {
        return MethodLibrary::get('capsule-ph')->scale->colours;
    }
}
