<?php

declare(strict_types=1);

namespace HonestCore\Tests\Amounts;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Verdict;
use HonestCore\Agronomy\Lime\KitDirection;
use HonestCore\Amounts\ActionAdvice;
use HonestCore\Amounts\SizedFor;
use HonestCore\Amounts\TestedValue;
use HonestCore\Analyte\Analytes;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(SizedFor::class)]
#[CoversClass(TestedValue::class)]
#[CoversClass(Analytes::class)]
final class ActionAdviceTest extends TestCase
{
    /** @return iterable<string, array{KitDirection|null, string, string}> */
    public static function heard(): iterable
    {
        $kit = static fn (
            ?Verdict $signed,
            ?string $action = 'build up',
            float $at = 15.0,
        ): KitDirection => new KitDirection('Rush capsule kit', 'Low', $at, $action, $signed, 5.0, 60.0);
        yield 'nothing' => [null, 'none', 'no phosphorus result stands'];
        yield 'stands' => [$kit(Verdict::Stands), 'direction', 'Build up, a direction only'];
        yield 'not signed' => [$kit(null), 'none', 'no verdict on its sort claim has been signed'];
        yield 'falls' => [$kit(Verdict::Falls), 'none', 'is "falls"'];
        yield 'over a limit' => [$kit(Verdict::Stands, null), 'none', 'reaches over a limit'];
        yield 'beyond what was seen' => [$kit(Verdict::Stands, at: 80.0), 'none', 'outside the readings'];
    }

    #[DataProvider('heard')]
    public function test_a_test_alone_gives_a_direction_only_where_its_sort_stands(
        ?KitDirection $kit,
        string $kind,
        string $words,
    ): void {
        $it = $this->phosphorus(null, $kit);

        self::assertSame([$kind, null, null], [$it->kind, $it->lbPerAcre, $it->nutrient]);
        self::assertStringContainsString($words, $it->answer);
        self::assertStringContainsString(
            'mehlich-3',
            $it->next,
            'what to test next names the extractant that the limits are made for',
        );
    }

    /**
     * Tri-State 2020, written from memory: (critical - test) x 20 / 4 years to build up, removal of 0.35 lb a bushel
     * of corn.
     */
    public function test_a_result_sizes_for_the_crop_that_was_chosen_and_for_no_other(): void
    {
        $at = fn (float $ppm, ?string $crop, ?float $yield = 180.0): ActionAdvice => $this->phosphorus(
            $this->tested($ppm),
            null,
            new SizedFor(['corn', 'soybean', 'wheat'], $crop, $yield),
        );
        self::assertEqualsWithDelta(
            [88.0, 63.0, 0.0],
            [$at(15, 'corn')->lbPerAcre, $at(20, 'corn')->lbPerAcre, $at(40, 'corn')->lbPerAcre],
            1e-9,
        );
        self::assertSame(['action', null], [$at(15, null)->kind, $at(15, null)->lbPerAcre]);
        self::assertSame(
            ['action', null],
            [$at(15, 'alfalfa')->kind, $at(15, 'alfalfa')->lbPerAcre],
            'a crop that does not grow there',
        );
        self::assertSame(
            ['action', null],
            [$at(15, 'corn', null)->kind, $at(15, 'corn', null)->lbPerAcre],
            'without a yield removal is not known',
        );
        self::assertSame('', $at(58, null)->next, 'where nothing is called for nothing is missing');
    }

    public function test_limits_that_were_set_go_before_the_table(): void
    {
        $of = fn (bool $own): ?float => ActionAdvice::from(
            Analytes::get('p'),
            $this->tested(25.0),
            null,
            ActionLimits::of([30.0, 60.0]),
            ['build up', 'maintain', 'none'],
            'mehlich-3',
            $own,
            new SizedFor(['corn'], 'corn', 100.0),
        )->lbPerAcre;

        self::assertEqualsWithDelta([25.0 + 35.0, 35.0], [$of(true), $of(false)], 1e-9);
    }

    public function test_a_result_by_another_extractant_or_by_none_calls_for_nothing(): void
    {
        foreach (['olsen', ''] as $extractant) {
            $it = $this->phosphorus(
                TestedValue::of(15.0, 0.0, $extractant, DepthLayer::ofInches(0, 6)),
                null,
                new SizedFor(['corn'], 'corn', 180.0),
            );
            self::assertSame(['none', null], [$it->kind, $it->lbPerAcre]);
        }
        self::assertSame(
            'amount',
            $this->phosphorus(
                TestedValue::of(15.0, 0.0, '', DepthLayer::ofInches(0, 6), 'Rush reader'),
                null,
                new SizedFor(['corn'], 'corn', 180.0),
            )->kind,
            'a test was judged against the extractant of the limits',
        );
    }

    public function test_uncertainty_over_a_limit_is_said_with_both_actions(): void
    {
        self::assertStringContainsString(
            '"build up" or "maintain"',
            implode(' ', $this->phosphorus($this->tested(19.0, 2.0))->reasons),
        );
        self::assertSame([], $this->phosphorus($this->tested(17.0, 2.0))->reasons);
    }

    public function test_nitrate_sizes_for_corn_by_its_own_layer_alone(): void
    {
        $of = static fn (DepthLayer $layer, ?string $crop = 'corn'): ActionAdvice => ActionAdvice::from(
            Analytes::get('no3n'),
            TestedValue::of(14.0, 2.0, '', $layer),
            null,
            ActionLimits::of([25.0]),
            ['side-dress', 'none'],
            '',
            false,
            new SizedFor(['corn', 'soybean', 'wheat'], $crop),
        );

        self::assertEqualsWithDelta(
            [88.0, 72.0, 104.0],
            [$of(DepthLayer::ofInches(0, 12))->lbPerAcre, ...$of(DepthLayer::ofInches(0, 12))->between ?? []],
            1e-9,
        );
        self::assertSame(
            ['action', null],
            [$of(DepthLayer::ofInches(0, 6))->kind, $of(DepthLayer::ofInches(0, 6))->lbPerAcre],
        );
        self::assertNull(
            $of(DepthLayer::ofInches(0, 12), 'soybean')->lbPerAcre,
            'a side-dressing of corn is none of soybean',
        );
        self::assertStringContainsString('Choose the crop', $of(DepthLayer::ofInches(0, 12), null)->next);
    }

    /** A doubt that nobody measured is not a doubt of nothing. */
    public function test_an_uncertainty_that_nobody_stated_is_said(): void
    {
        $it = $this->phosphorus(TestedValue::of(19.9, null, 'mehlich-3', DepthLayer::ofInches(0, 6)));

        self::assertSame('action', $it->kind);
        self::assertStringContainsString('not been stated', implode(' ', $it->reasons));
    }

    /** What is printed says the crop, its yield, and that wheat has limits of its own. */
    public function test_the_words_of_an_amount_hold_all_that_it_hangs_on(): void
    {
        $for = fn (string $crop, float $yield): string => implode(
            ' ',
            $this->phosphorus($this->tested(25.0, 6.0), null, new SizedFor(['corn', 'soybean', 'wheat'], $crop, $yield))
                ->reasons,
        );

        self::assertStringContainsString(
            'For wheat at 80 bushels an acre: build up, by limits of its own that go before those above, 25 lb/acre '.
                'a year for 4 years to build up, 40 lb/acre',
            $for('wheat', 80.0),
        );
        self::assertStringContainsString(
            'For corn at 180 bushels an acre: maintain, 63 lb/acre for what the crop removes.',
            $for('corn', 180.0),
        );
        self::assertSame(1, substr_count($for('corn', 180.0), 'Too close to call'), 'said once');
    }

    public function test_what_is_no_number_is_no_result(): void
    {
        $this->expectException(ValueOutOfRange::class);
        $this->tested(NAN);
    }

    private function tested(float $ppm, float $expanded = 0.0): TestedValue
    {
        return TestedValue::of($ppm, $expanded, 'mehlich-3', DepthLayer::ofInches(0, 6));
    }

    private function phosphorus(
        ?TestedValue $tested,
        ?KitDirection $kit = null,
        SizedFor $for = new SizedFor([]),
    ): ActionAdvice {
        return ActionAdvice::from(
            Analytes::get('p'),
            $tested,
            $kit,
            ActionLimits::of([20.0, 40.0]),
            ['build up', 'maintain', 'none'],
            'mehlich-3',
            false,
            $for,
        );
    }
}
