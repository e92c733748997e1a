<?php

declare(strict_types=1);

namespace HonestCore\Tests\Colour;

use HonestCore\Colour\Ciede2000;
use HonestCore\Colour\LabColour;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Sharma, Wu & Dalal 2005, the 34 test pairs, and scikit-image: see Reference/colour.py. */
final class Ciede2000Test extends TestCase
{
    /**
     * @return iterable<string, array{array{one: list<float>, other: list<float>, published: float,
     * scikit_image: float, on_the_seam: bool}}>
     */
    public static function pairs(): iterable
    {
        foreach (ReferenceData::of('colour')['pairs'] as $i => $pair) {
            yield 'pair '.($i + 1) => [$pair];
        }
    }

    /**
     * @param array{one: list<float>, other: list<float>, published: float, scikit_image: float, on_the_seam: bool} $pair
     */
    #[DataProvider('pairs')]
    public function test_the_published_difference(array $pair): void
    {
        [$one, $other] = [
            LabColour::of(...array_map(floatval(...), $pair['one'])),
            LabColour::of(...array_map(floatval(...), $pair['other'])),
        ];

        self::assertEqualsWithDelta($pair['published'], Ciede2000::between($one, $other), 5.1e-5);
        self::assertEqualsWithDelta($pair['published'], Ciede2000::between($other, $one), 5.1e-5, 'it is symmetric');
        if (! $pair['on_the_seam']) {
            self::assertEqualsWithDelta($pair['scikit_image'], Ciede2000::between($one, $other), 1e-9);
        }
    }

    public function test_a_colour_does_not_differ_from_itself(): void
    {
        $colour = LabColour::of(61.3, 12.0, -40.0);

        self::assertSame(0.0, Ciede2000::between($colour, $colour));
    }
}
