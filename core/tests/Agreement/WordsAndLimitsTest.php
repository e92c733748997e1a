<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\Words;
use HonestCore\Error\CoreError;
use HonestCore\Quantity\Extent;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Policy::class)]
#[CoversClass(Scale::class)]
#[CoversClass(Extent::class)]
final class WordsAndLimitsTest extends TestCase
{
    /** A share is never rounded up to a limit it does not reach. */
    public function test_a_percentage_claims_no_more_than_is_known(): void
    {
        self::assertSame('79.9 %', Words::percent(0.79999));
        self::assertSame('80 %', Words::percent(0.8));
        self::assertSame('100 %', Words::percent(1.0));
        self::assertSame('0 %', Words::percent(0.0004));
    }

    public function test_numbers_have_a_true_minus_and_no_trailing_zeros(): void
    {
        self::assertSame('−0.6', Words::trim(-0.6));
        self::assertSame('6.1', Words::trim(6.1000001));
        self::assertSame('0', Words::trim(-0.0001));
        self::assertSame(['0 times', 'once', '4 times'], array_map(Words::times(...), [0, 1, 4]));
        self::assertSame(['pair', 'pairs'], array_map(Words::pairs(...), [1, 2]));
    }

    public function test_classes_are_named_by_their_actions_or_their_ranges(): void
    {
        $policy = Policy::of('ph', ActionLimits::of([6.0, 7.3]), 0.3, 0.5, 0.8, 0.95, Scale::Absolute);

        self::assertSame(['below 6', '6 to 7.3', '7.3 and above'], array_map($policy->className(...), [0, 1, 2]));
        self::assertSame('"lime"', $policy->withActions(['lime', 'leave', 'too high'])->className(0));
        $this->expectException(CoreError::class);
        $policy->withActions(['lime']);
    }

    /** @return iterable<string, array{callable(): mixed, string}> */
    public static function refused(): iterable
    {
        yield 'no limits' => [static fn () => ActionLimits::of([]), '1 or more'];
        yield 'limits that fall' => [static fn () => ActionLimits::of([7.0, 6.0]), 'ascend'];
        yield 'limits that stand' => [static fn () => ActionLimits::of([6.0, 6.0]), 'ascend'];
        yield 'no number' => [static fn () => ActionLimits::of([NAN]), 'finite'];
        yield 'a share of all' => [
            static fn () => Policy::of('ph', ActionLimits::of([6.0]), 0.3, 0.5, 1.0, 0.95, Scale::Absolute),
            'required',
        ];
        yield 'a share of nothing' => [
            static fn () => Policy::of('ph', ActionLimits::of([6.0]), 0.3, 0.5, 0.0, 0.95, Scale::Absolute),
            'required',
        ];
        yield 'no confidence' => [
            static fn () => Policy::of('ph', ActionLimits::of([6.0]), 0.3, 0.5, 0.8, 0.0, Scale::Absolute),
            'confidence',
        ];
        yield 'all confidence' => [
            static fn () => Policy::of('ph', ActionLimits::of([6.0]), 0.3, 0.5, 0.8, 1.0, Scale::Absolute),
            'confidence',
        ];
        yield 'no change to see' => [
            static fn () => Policy::of('ph', ActionLimits::of([6.0]), 0.3, 0.0, 0.8, 0.95, Scale::Absolute),
            'change',
        ];
        yield 'nothing allowed' => [
            static fn () => Policy::of('ph', ActionLimits::of([6.0]), 0.0, 0.5, 0.8, 0.95, Scale::Absolute),
            'allowable',
        ];
        yield 'no band' => [static fn () => Bands::of([]), 'there is none'];
        yield 'a band upside down' => [static fn () => Bands::parse('Low:6:5'), 'does not end above its start'];
        yield 'a band twice' => [static fn () => Bands::parse('Low:4:5,Low:5:6'), 'stands twice'];
        yield 'no band at all' => [static fn () => Bands::parse('Low'), 'is no band'];
        yield 'a bound in words' => [static fn () => Bands::parse('Low:four:5'), 'is not a number'];
        yield 'an area below nothing' => [static fn () => Extent::ofSquareMetres(-1), '0 or more'];
    }

    /** @param callable(): mixed $act */
    #[DataProvider('refused')]
    public function test_it_is_refused_with_the_reason(callable $act, string $words): void
    {
        try {
            $act();
            self::fail('It was accepted.');
        } catch (CoreError $error) {
            self::assertStringContainsString($words, $error->getMessage());
        }
    }

    public function test_bands_are_sorted_and_their_ends_may_be_open(): void
    {
        $bands = Bands::parse('High:7.3:, Low::6 ,Mid:6:7.3');

        self::assertSame(['Low', 'Mid', 'High'], array_column($bands->bands, 'name'));
        self::assertNull($bands->bands[0]->middle());
        self::assertEqualsWithDelta(6.65, $bands->bands[1]->middle(), 1e-12);
        self::assertTrue($bands->bands[1]->contains(6.0));
        self::assertFalse($bands->bands[1]->contains(7.3));
    }

    /**
     * A limit on an end of the band cuts nothing: what lies on it belongs above, and the upper end is the next band's.
     */
    public function test_a_band_reaches_the_classes_of_the_values_in_it(): void
    {
        $limits = ActionLimits::of([4.0, 5.5, 7.3]);
        $reaches = static fn (float $lower, float $upper): array => (new Band('x', $lower, $upper))->reaches($limits);

        self::assertSame(
            [[1, 2], [1], [2], [0], [0, 1], [0, 1, 2, 3], [3], [2, 3]],
            [
                $reaches(5.25, 5.75),
                $reaches(5.0, 5.5),
                $reaches(5.5, 6.0),
                $reaches(3.0, 4.0),
                $reaches(3.5, 4.5),
                $reaches(-INF, INF),
                $reaches(7.3, INF),
                $reaches(7.0, 8.0),
            ],
        );
        foreach ([[5.25, 5.75], [5.0, 5.5], [5.5, 6.0], [3.0, 4.0], [7.0, 8.0], [-INF, 4.0]] as [$lower, $upper]) {
            $band = new Band('x', $lower, $upper);
            self::assertSame($band->isCutBy($limits), count($band->reaches($limits)) > 1);
        }
    }

    public function test_an_open_band_sorts_only_when_one_class_holds_all_of_it(): void
    {
        $limits = ActionLimits::of([6.0, 7.3]);

        self::assertSame(0, (new Band('acid', -INF, 6.0))->classIn($limits));
        self::assertSame(2, (new Band('high', 7.3, INF))->classIn($limits));
        self::assertNull((new Band('rest', 6.5, INF))->classIn($limits));
        self::assertTrue((new Band('rest', 6.5, INF))->isCutBy($limits));
    }

    /** 0.3048 m a foot and 43,560 square feet an acre, exactly. */
    public function test_an_acre_is_exact(): void
    {
        self::assertEqualsWithDelta(43_560 * 0.3048 ** 2, Extent::M2_PER_ACRE, 1e-9);
        self::assertEqualsWithDelta(2.4710538, Extent::ofSquareMetres(10_000)->acres(), 1e-7);
        self::assertSame(1.0, Extent::ofSquareMetres(10_000)->hectares());
    }

    public function test_what_is_small_is_not_shown_as_nothing(): void
    {
        $shown = static fn (float $value): string => Words::trim($value, Words::decimals($value, 2));

        self::assertSame(
            ['0', '0.0046', '0.023', '0.1', '1.2', '150.25'],
            array_map($shown, [0.0, 0.0046, 0.0230, 0.1, 1.2, 150.25]),
        );
    }
}
