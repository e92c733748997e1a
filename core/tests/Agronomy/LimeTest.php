<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agronomy;

use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Agronomy\Lime\LimeRate;
use HonestCore\Agronomy\Lime\LimeSchool;
use HonestCore\Agronomy\Lime\MehlichBuffer;
use HonestCore\Agronomy\Lime\SmpBuffer;
use HonestCore\Agronomy\Lime\SoilAcidity;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(LimeMaterial::class)]
#[CoversClass(LimeRate::class)]
#[CoversClass(LimeSchool::class)]
final class LimeTest extends TestCase
{
    /** @return iterable<string, array{float, float, float}> buffer pH, target, tons an acre */
    public static function smp(): iterable
    {
        // Shoemaker, McLean & Pratt 1961, as in North Central Regional Publication 221 (figures written from memory).
        foreach (
            [
                [6.8, 7.0, 1.4],
                [6.8, 6.5, 1.2],
                [6.8, 6.0, 1.0],
                [6.4, 7.0, 5.5],
                [6.4, 6.5, 4.7],
                [6.4, 6.0, 3.8],
                [6.0, 6.5, 8.1],
                [5.5, 7.0, 14.8],
                [5.5, 6.0, 10.2],
                [5.0, 6.5, 16.9],
                [4.8, 7.0, 22.1],
                [4.8, 6.0, 15.1],
            ] as [$buffer, $target, $tons]
        ) {
            yield "buffer {$buffer} to {$target}" => [$buffer, $target, $tons];
        }
    }

    #[DataProvider('smp')]
    public function test_the_smp_table_is_read(float $buffer, float $target, float $tons): void
    {
        self::assertEqualsWithDelta($tons, SmpBuffer::rate(SoilAcidity::of(5.0, $buffer), $target)->tonsPerAcre, 1e-9);
    }

    public function test_between_entries_smp_goes_straight(): void
    {
        self::assertEqualsWithDelta(
            (5.5 + 6.5) / 2,
            SmpBuffer::rate(SoilAcidity::of(5.0, 6.35), 7.0)->tonsPerAcre,
            1e-9,
        );
        self::assertEqualsWithDelta(
            (4.7 + 5.5) / 2,
            SmpBuffer::rate(SoilAcidity::of(5.0, 6.4), 6.75)->tonsPerAcre,
            1e-9,
        );
    }

    /** Common practice: a LOWER buffer pH means MORE lime. */
    public function test_a_lower_buffer_means_more_lime_in_both_schools(): void
    {
        $before = [-1.0, -1.0];
        for ($buffer = 6.5; $buffer > 5.0; $buffer -= 0.1) {
            $now = [
                MehlichBuffer::rate(SoilAcidity::of(5.2, $buffer), 6.5)->tonsPerAcre,
                SmpBuffer::rate(SoilAcidity::of(5.2, $buffer), 6.5)->tonsPerAcre,
            ];
            self::assertGreaterThan($before[0], $now[0]);
            self::assertGreaterThan($before[1], $now[1]);
            $before = $now;
        }
    }

    /** Mehlich 1976 by hand: Ac = (6.6 - 6.1) / 0.25 = 2; 2 (6.5 - 5.6) / (6.6 - 5.6) = 1.8 tons. */
    public function test_mehlich_by_hand(): void
    {
        self::assertEqualsWithDelta(1.8, MehlichBuffer::rate(SoilAcidity::of(5.6, 6.1), 6.5)->tonsPerAcre, 1e-9);
    }

    public function test_no_lime_at_the_target_or_above(): void
    {
        foreach (
            [MehlichBuffer::rate(SoilAcidity::of(6.5, 6.0), 6.5), SmpBuffer::rate(SoilAcidity::of(7.0, 6.5), 6.5)] as $rate
        ) {
            self::assertSame(0.0, $rate->tonsPerAcre);
        }
        self::assertSame(
            0.0,
            MehlichBuffer::rate(SoilAcidity::of(5.4, 7.05), 6.5)->tonsPerAcre,
            'pH 5.4 with a buffer of 7.05 needs little',
        );
    }

    public function test_beyond_the_table_it_says_so_instead_of_guessing(): void
    {
        $above = SmpBuffer::rate(SoilAcidity::of(5.4, 7.05), 6.5);
        $below = SmpBuffer::rate(SoilAcidity::of(4.0, 4.5), 6.5);
        $target = SmpBuffer::rate(SoilAcidity::of(4.4, 6.2), 5.0);

        self::assertTrue($above->atMost);
        self::assertEqualsWithDelta(1.2, $above->tonsPerAcre, 1e-9);
        self::assertNull($below->tonsPerAcre);
        self::assertNotNull($below->note);
        self::assertNull($target->tonsPerAcre);
        self::assertNull(
            MehlichBuffer::rate(SoilAcidity::of(6.6, 6.2), 7.0)->tonsPerAcre,
            'the formula divides by 6.6 less the pH',
        );
        self::assertNull(
            MehlichBuffer::rate(SoilAcidity::of(6.599, 6.2), 7.0)->tonsPerAcre,
            'it would run away to hundreds of tons',
        );
        self::assertEqualsWithDelta(1.6, MehlichBuffer::rate(SoilAcidity::of(6.599, 6.2), 6.6)->tonsPerAcre, 1e-9);
    }

    /** The first and the last row of the table are still rows of it. */
    public function test_the_ends_of_the_table_are_in_it(): void
    {
        foreach (
            [[6.8, 1.2, false], [6.79, 1.29, false], [6.801, 1.2, true], [4.8, null, false]] as [$buffer, $tons, $atMost]
        ) {
            $rate = SmpBuffer::rate(SoilAcidity::of(4.7, $buffer), 6.5);
            self::assertSame($atMost, $rate->atMost, "buffer {$buffer}");
            $tons === null
                ? self::assertNotNull($rate->tonsPerAcre)
                : self::assertEqualsWithDelta($tons, $rate->tonsPerAcre, 1e-9);
        }
        self::assertNull(SmpBuffer::rate(SoilAcidity::of(4.7, 4.79), 6.5)->tonsPerAcre);
        self::assertNotNull(SmpBuffer::rate(SoilAcidity::of(4.7, 6.2), 6.0)->tonsPerAcre, 'the lowest target');
        self::assertNull(SmpBuffer::rate(SoilAcidity::of(4.7, 6.2), 5.99)->tonsPerAcre);
        self::assertNotNull(SmpBuffer::rate(SoilAcidity::of(4.7, 6.2), 7.0)->tonsPerAcre, 'the highest');
        self::assertNull(SmpBuffer::rate(SoilAcidity::of(4.7, 6.2), 7.01)->tonsPerAcre);
    }

    /** A rate of next to nothing is a rate; nothing stays nothing, and what is not known stays so. */
    public function test_small_rates_are_adjusted_too(): void
    {
        $stone = LimeMaterial::reference();
        $half = LimeRate::of(LimeSchool::Smp, 0.5, [])->adjusted(4.0, $stone);
        self::assertEqualsWithDelta(0.25, $half->tonsPerAcre, 1e-12);
        self::assertFalse($half->atMost);
        self::assertTrue(LimeRate::of(LimeSchool::Smp, 0.5, [], true)->adjusted(4.0, $stone)->atMost);
        self::assertSame(
            [0.0, []],
            [
                LimeRate::of(LimeSchool::Smp, 0.0, [])->adjusted(4.0, $stone)->tonsPerAcre,
                LimeRate::of(LimeSchool::Smp, 0.0, [])->adjusted(4.0, $stone)->steps,
            ],
        );
        self::assertNull(LimeRate::none(LimeSchool::Smp, 'why')->adjusted(4.0, $stone)->tonsPerAcre);
    }

    /**
     * Whoever spreads the school's own stone to its own depth gets the school's own figure; finer, purer stone does
     * with less.
     */
    public function test_depth_and_stone_are_shown_as_steps(): void
    {
        self::assertEqualsWithDelta(
            4.0,
            LimeRate::of(LimeSchool::Smp, 4.0, [])->adjusted(8.0, LimeMaterial::reference())->tonsPerAcre,
            1e-12,
        );
        $rate = LimeRate::of(LimeSchool::Smp, 4.0, [])->adjusted(6.0, LimeMaterial::ground(90, 90, 70));

        self::assertEqualsWithDelta((((4.0 * 6) / 8) * 0.6525) / 0.72, $rate->tonsPerAcre, 1e-9);
        self::assertCount(2, $rate->steps);
        self::assertStringStartsWith('3 × 0.6525 / 0.72', $rate->steps[1]->how);
        self::assertLessThan(
            3.0,
            LimeRate::of(LimeSchool::Smp, 4.0, [])->adjusted(6.0, LimeMaterial::ground(100, 100, 100))->tonsPerAcre,
        );
    }

    /** 2000 lb on 43,560 square feet; 907.18474 kg on 4046.8564224 m². */
    public function test_the_units_of_a_rate(): void
    {
        self::assertEqualsWithDelta(2000 / 43.56, LimeRate::POUNDS_PER_1000_SQ_FT, 1e-9);
        self::assertEqualsWithDelta(2.2417, LimeRate::TONNES_PER_HECTARE, 1e-4);
    }

    public function test_readings_no_soil_gives_are_refused(): void
    {
        foreach (
            [
                static fn () => SoilAcidity::of(1.0, 6.5),
                static fn () => SoilAcidity::of(5.5, 12.0),
                static fn () => LimeMaterial::ground(0, 90, 50),
            ] as $act
        ) {
            try {
                $act();
                self::fail('It was accepted.');
            } catch (CoreError $error) {
                self::assertSame('value_out_of_range', $error->errorCode());
            }
        }
    }
}
