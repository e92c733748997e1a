<?php

declare(strict_types=1);

namespace HonestCore\Tests\Colour;

use HonestCore\Colour\Ciede2000;
use HonestCore\Colour\Cones;
use HonestCore\Colour\Srgb;
use HonestCore\Colour\VisionCheck;
use HonestCore\Colour\VisionPlate;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(VisionCheck::class)]
#[CoversClass(VisionPlate::class)]
final class VisionTest extends TestCase
{
    /**
     * Where the lines of confusion of a dichromat meet: Smith & Pokorny 1975 give 0.747 0.253 for protanopes, 1.40
     * -0.40
     * for deuteranopes and 0.175 0.000 for tritanopes (figures written from memory).
     *
     * @return iterable<string, array{array{float, float, float}, float, float}>
     */
    public static function confusionPoints(): iterable
    {
        yield 'protan' => [[1.0, 0.0, 0.0], 0.747, 0.253];
        yield 'deutan' => [[0.0, 1.0, 0.0], 1.4, -0.4];
        yield 'tritan' => [[0.0, 0.0, 1.0], 0.175, 0.0];
    }

    /** @param array{float, float, float} $lms a colour that the missing cone alone would take in */
    #[DataProvider('confusionPoints')]
    public function test_the_cones_have_the_published_confusion_points(array $lms, float $x, float $y): void
    {
        $xyz = Cones::toXyz($lms);

        self::assertEqualsWithDelta([$x, $y], [$xyz[0] / array_sum($xyz), $xyz[1] / array_sum($xyz)], 0.001);
        self::assertEqualsWithDelta($lms, Cones::ofXyz($xyz), 1e-12);
    }

    /** @return iterable<string, array{string, int}> */
    public static function blind(): iterable
    {
        yield 'protan' => ['protan', 0];
        yield 'deutan' => ['deutan', 1];
        yield 'tritan' => ['tritan', 2];
    }

    #[DataProvider('blind')]
    public function test_figure_and_ground_differ_for_one_kind_of_cone_alone_even_on_an_eight_bit_screen(
        string $kind,
        int $cone,
    ): void {
        [$ground, $figure] = VisionPlate::colours($kind);
        [$one, $other] = [self::shown($ground), self::shown($figure)];

        self::assertTrue(
            Srgb::isShown(Srgb::fromXyz($ground)) && Srgb::isShown(Srgb::fromXyz($figure)),
            'a screen can show both',
        );
        foreach ([0, 1, 2] as $i) {
            $ratio = $other[$i] / $one[$i];
            $i === $cone
                ? self::assertGreaterThan(1.2, $ratio)
                : self::assertEqualsWithDelta(1.0, $ratio, 0.012, "cone {$i}");
        }
        self::assertGreaterThan(
            20,
            Ciede2000::between(Srgb::toLab(Srgb::fromXyz($ground)), Srgb::toLab(Srgb::fromXyz($figure))),
            'an eye with all cones sees it at once',
        );
    }

    /**
     * What the cones take in of a colour as an eight bit screen shows it.
     *
     * @param array{float, float, float} $xyz
     * @return array{float, float, float}
     */
    private static function shown(array $xyz): array
    {
        [$r, $g, $b] = array_map(
            static fn (string $byte): float => Srgb::decode(hexdec($byte) / 255),
            str_split(substr(Srgb::hex(Srgb::fromXyz($xyz)), 1), 2),
        );

        return Cones::ofXyz(Srgb::toXyz([$r, $g, $b]));
    }

    public function test_a_plate_is_full_of_dots_that_do_not_touch_and_the_same_for_the_same_seed(): void
    {
        $plate = VisionPlate::draw('protan', '6', 42);

        self::assertEquals($plate, VisionPlate::draw('protan', '6', 42));
        self::assertNotEquals($plate->dots, VisionPlate::draw('protan', '6', 43)->dots);
        self::assertGreaterThan(200, count($plate->dots));
        foreach ($plate->dots as $i => $dot) {
            self::assertLessThanOrEqual(0.4905, hypot($dot['x'] - 0.5, $dot['y'] - 0.5) + $dot['r']);
            foreach (array_slice($plate->dots, 0, $i) as $other) {
                self::assertGreaterThan(
                    $dot['r'] + $other['r'],
                    hypot($dot['x'] - $other['x'], $dot['y'] - $other['y']),
                );
            }
        }
    }

    public function test_all_plates_are_told_right_by_who_sees_them_and_wrong_by_who_does_not(): void
    {
        for ($seed = 1; $seed <= 20; $seed++) {
            $plates = VisionCheck::plates($seed);
            self::assertSame('all', $plates[0]['kind']);
            $right = array_map(
                static fn (array $plate): ?string => $plate['kind'] === 'none' ? null : $plate['figure'],
                $plates,
            );
            $blind = array_map(
                static fn (array $plate): ?string => in_array($plate['kind'], ['all', 'tritan'], true)
                    ? $plate['figure']
                    : null,
                $plates,
            );
            $guessing = array_map(
                static fn (array $plate): string => $plate['kind'] === 'all' ? $plate['figure'] : '0',
                $plates,
            );

            self::assertSame(
                [true, 10],
                [VisionCheck::judge($seed, $right)->passed, VisionCheck::judge($seed, $right)->right],
            );
            self::assertFalse(VisionCheck::judge($seed, $blind)->passed);
            self::assertStringContainsString('Red and green', VisionCheck::judge($seed, $blind)->words);
            self::assertFalse(
                VisionCheck::judge($seed, $guessing)->passed,
                'whoever says a figure to everything is found out',
            );
            self::assertTrue(
                VisionCheck::judge($seed, array_values(array_replace($right, [5 => '0'])))->passed,
                'one may be missed',
            );
            self::assertStringContainsString('no diagnosis', VisionCheck::judge($seed, $right)->words);
        }
    }

    public function test_nothing_follows_when_the_plate_that_everybody_sees_is_missed(): void
    {
        $answers = array_map(
            static fn (array $plate): ?string => $plate['kind'] === 'none' ? null : $plate['figure'],
            VisionCheck::plates(9),
        );
        $found = VisionCheck::judge(9, array_values(array_replace($answers, [0 => null])));

        self::assertFalse($found->passed);
        self::assertStringContainsString('nothing follows', $found->words);
    }

    public function test_too_few_answers_and_unknown_plates_are_refused(): void
    {
        foreach (
            [
                static fn () => VisionCheck::judge(1, ['3']),
                static fn () => VisionPlate::draw('sepia', '3', 1),
                static fn () => VisionPlate::draw('all', '1', 1),
            ] as $wrong
        ) {
            try {
                $wrong();
                self::fail('It was accepted.');
            } catch (CoreError $error) {
                self::assertMatchesRegularExpression('/must be|accepted are/', $error->getMessage());
            }
        }
    }
}
