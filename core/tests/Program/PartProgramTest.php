<?php

declare(strict_types=1);

namespace HonestCore\Tests\Program;

use HonestCore\Amounts\NutrientQuestion;
use HonestCore\Amounts\NutrientRate;
use HonestCore\Program\Heard;
use HonestCore\Program\HighPhCauses;
use HonestCore\Program\PartProgram;
use HonestCore\Program\PartResults;
use HonestCore\Program\ProductMix;
use HonestCore\Program\ProgramChoices;
use HonestCore\Program\ProgramLine;
use HonestCore\Program\PullApart;
use HonestCore\Program\ShelfProduct;
use HonestCore\Program\StopFirst;
use HonestCore\Program\WantedCrop;
use HonestCore\Tests\Dice;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(PartProgram::class)]
#[CoversClass(ProgramChoices::class)]
#[CoversClass(Heard::class)]
#[CoversClass(PartResults::class)]
#[CoversClass(ProductMix::class)]
#[CoversClass(ProgramLine::class)]
#[CoversClass(StopFirst::class)]
#[CoversClass(PullApart::class)]
#[CoversClass(HighPhCauses::class)]
final class PartProgramTest extends TestCase
{
    /**
     * By hand: Mehlich Ac = (6.6 - 6.1)/0.25 = 2, to 6.5 from 5.6 is 2 x 0.9 = 1.8 tons for 8 in, 1.35 for 6 in; phosphate
     * (20 - 15) x 20/4 + 0.35 x 160 = 81; potash (120 - 90) x 4 (1 + 0.05 x 8)/4 + 0.20 x 160 = 74 lb.
     */
    public function test_an_area_from_results_to_products(): void
    {
        $program = Made::program(Made::part());
        self::assertEqualsWithDelta(2700.0, $program->line('lime')?->lbPerAcre, 1e-9);
        self::assertEqualsWithDelta(81.0, $program->line('p2o5')?->lbPerAcre, 1e-9);
        self::assertEqualsWithDelta(74.0, $program->line('k2o')?->lbPerAcre, 1e-9);
        self::assertEqualsWithDelta(150.0, $program->line('n')?->lbPerAcre, 1e-9);
        self::assertSame(['lab', 'lab', 'table'], [
            $program->line('lime')?->claim, $program->line('p2o5')?->claim, $program->line('n')?->claim,
        ]);
        self::assertLessThan(1e-6, array_sum($program->mix->short));
        self::assertSame([], $program->mix->unwanted);
        self::assertSame($program->need->need['p2o5'], 81.0);
    }

    /** What the amounts bring is what the grades say, nutrient by nutrient. */
    public function test_mass_balance(): void
    {
        $dice = new Dice(20_261_128);
        $shelf = ShelfProduct::shipped();
        for ($i = 0; $i < 60; $i++) {
            $program = Made::program(
                Made::part(
                    self::between($dice, 5.0, 6.9),
                    ['mehlich' => self::between($dice, 5.8, 6.6)],
                    ['p' => self::between($dice, 5, 60), 'k' => self::between($dice, 50, 250), 'cec' => self::between($dice, 3, 20)],
                ),
            );
            $brought = [];
            foreach ($program->mix->amounts as $code => $pounds) {
                foreach ($shelf[$code]->grades as $nutrient => $grade) {
                    $brought[$nutrient] = ($brought[$nutrient] ?? 0.0) + $pounds * $grade / 100;
                }
                $brought['lime'] = ($brought['lime'] ?? 0.0) + $pounds * $shelf[$code]->effectiveness();
            }
            foreach ($program->need->need as $nutrient => $need) {
                $has = $brought[$nutrient] ?? 0.0;
                $accounted = $has + $program->mix->short[$nutrient] - $program->mix->over[$nutrient];
                self::assertEqualsWithDelta($need, $accounted, 1e-6, $nutrient);
            }
            self::assertSame([], $program->mix->unwanted);
            foreach (['p2o5' => 'p', 'k2o' => 'k'] as $key => $analyte) {
                if ($program->line($key)?->kind === 'zero') {
                    self::assertEqualsWithDelta(0.0, $brought[$key] ?? 0.0, 1e-9, "{$analyte} is over its optimum");
                }
            }
        }
    }

    private static function between(Dice $dice, float $low, float $high): float
    {
        return $low + ($high - $low) * $dice->share();
    }

    public function test_more_acidity_never_means_less_lime(): void
    {
        $before = INF;
        foreach (range(0, 8) as $i) {
            $lime = Made::program(Made::part(6.2, ['smp' => 5.6 + 0.15 * $i]))->line('lime')?->lbPerAcre;
            self::assertNotNull($lime);
            self::assertLessThanOrEqual($before + 1e-9, $lime);
            $before = $lime;
        }
        self::assertGreaterThan(0.0, $before);
    }

    public function test_the_order_of_the_shelf_does_not_matter(): void
    {
        $shelf = ShelfProduct::shipped();
        $part = Made::part();
        $one = Made::program($part, shelf: $shelf)->mix->amounts;
        $other = Made::program($part, shelf: array_reverse($shelf, true))->mix->amounts;
        ksort($one);
        ksort($other);
        self::assertSame(array_keys($one), array_keys($other));
        foreach ($one as $code => $pounds) {
            self::assertEqualsWithDelta($pounds, $other[$code], 1e-6);
        }
    }

    public function test_wood_ash_counts_as_lime_and_potash_at_once(): void
    {
        $program = Made::program(Made::part(), choices: ['products' => ['wood-ash', 'urea', 'muriate-of-potash', 'map']]);
        $ash = $program->mix->amounts['wood-ash'] ?? 0.0;
        self::assertGreaterThan(0.0, $ash);
        self::assertEqualsWithDelta(0.45 * $ash, $program->mix->supplied['lime'], 1e-6);
        self::assertGreaterThanOrEqual(0.05 * $ash - 1e-6, $program->mix->supplied['k2o']);
        self::assertGreaterThan(0.0, $program->mix->short['lime'], 'no more than 2,000 lb of it goes on at once');
    }

    public function test_dolomitic_follows_from_magnesium(): void
    {
        $kinds = static fn (float $mg): array => array_keys(
            Made::program(Made::part(tested: ['p' => 60.0, 'k' => 300.0, 'cec' => 8.0, 'mg' => $mg]))->mix->amounts,
        );
        self::assertContains('limestone-dolomitic', $kinds(30.0));
        self::assertNotContains('limestone-dolomitic', $kinds(150.0));
    }

    public function test_over_the_optimum_there_is_none_in_words_and_in_products(): void
    {
        $program = Made::program(Made::part(tested: ['p' => 64.0, 'k' => 90.0, 'cec' => 8.0]));
        self::assertSame('No phosphorus, and no product may bring any', $program->line('p2o5')?->what);
        self::assertEqualsWithDelta(0.0, $program->mix->supplied['p2o5'], 1e-9);
        $own = Made::program(
            Made::part(tested: ['p' => 64.0, 'k' => 90.0, 'cec' => 8.0]),
            choices: ['mix' => [['part' => 0, 'product' => 'dap', 'lb_per_acre' => 100]]],
        );
        self::assertSame(['p2o5'], $own->mix->unwanted);
        self::assertEqualsWithDelta(46.0, $own->mix->over['p2o5'], 1e-9);
        self::assertEqualsWithDelta(150 - 18.0, $own->mix->short['n'], 1e-9);
    }

    public function test_phosphorus_that_nobody_tested_is_not_spread(): void
    {
        $program = Made::program(Made::part(tested: ['k' => 90.0, 'cec' => 8.0]));
        self::assertSame('unknown', $program->line('p2o5')?->kind);
        self::assertEqualsWithDelta(0.0, $program->mix->supplied['p2o5'], 1e-9);
        self::assertStringContainsString('no product may bring any', implode(' ', $program->mix->reasons));
    }

    public function test_a_layer_that_no_table_is_made_for_holds_amounts_back(): void
    {
        foreach (['0-2in', '0-18in'] as $layer) {
            $program = Made::program(Made::part(more: ['layer' => $layer]));
            self::assertSame(['stop', null], [$program->line('p2o5')?->kind, $program->line('p2o5')?->lbPerAcre], $layer);
            self::assertNull($program->line('lime')?->lbPerAcre);
            self::assertStringContainsString('tables of rates are made for', $program->steps['stop'][0]->answer);
        }
        self::assertSame([], Made::program(Made::part())->steps['stop']);
    }

    public function test_organic_soil_and_fresh_spreading_hold_back_and_an_override_prints(): void
    {
        $peat = Made::part(more: ['om' => 34.0]);
        self::assertNull(Made::program($peat)->line('lime')?->lbPerAcre);
        $spread = Made::program(Made::part(more: ['spread' => ['Lime was spread on 2026-08-20.']]));
        self::assertNull($spread->line('k2o')?->lbPerAcre);
        $set = Made::program($peat, choices: ['overrides' => [
            ['part' => 0, 'key' => 'lime', 'lb_per_acre' => 1000, 'reason' => 'The peat rule of the extension office.'],
        ]]);
        self::assertSame(1000.0, $set->line('lime')?->lbPerAcre);
        self::assertSame(['was' => null, 'reason' => 'The peat rule of the extension office.'], $set->line('lime')->override);
        self::assertEqualsWithDelta(1000 * 0.6525, $set->need->need['lime'], 1e-9);
    }

    public function test_lead_says_what_to_do_meanwhile(): void
    {
        $lines = Made::program(Made::part(more: ['metals' => ['pb' => [[95.0, false]]]]))->steps['stop'];
        self::assertStringContainsString('at or above a step', $lines[0]->what);
        self::assertStringContainsString('health department', implode(' ', $lines[0]->cautions));
        $close = Made::program(Made::part(more: ['metals' => ['pb' => [[60.0, false]]]]))->steps['stop'];
        self::assertStringContainsString('too few', $close[0]->what);
        $fine = Made::program(Made::part(more: ['metals' => ['pb' => [[20.0, false], [22.0, false], [19.0, false], [21.0, false]]]]));
        self::assertSame('zero', $fine->steps['stop'][0]->kind);
        $asked = Made::program(Made::part(more: ['paint' => true]))->steps['stop'];
        self::assertSame('Lead has not been asked for', $asked[0]->what);
    }

    public function test_a_high_ph_is_asked_about_before_sulphur(): void
    {
        $wants = WantedCrop::of('blueberry')->pH();
        $high = static fn (array $more): PartProgram => Made::program(
            Made::part(7.1, [], more: $more, wants: $wants),
            'blueberry',
        );
        self::assertSame('ask', $high([])->line('sulphur')?->kind);
        $no = array_fill_keys(array_keys(HighPhCauses::questions()), 'no');
        // By the table, loam: (5.88 at 7.1) - (0.72 at 4.8), in three dressings of 2 lb at most.
        $sized = $high(['causes' => $no]);
        $table = (5.8 + 0.2 * (6.9 - 5.8)) - 0.6 * 1.2;
        self::assertEqualsWithDelta($table / 3 * 435.6, $sized->line('sulphur')?->lbPerAcre, 1e-6);
        self::assertEqualsWithDelta($table / 3 * 435.6 / 0.9, $sized->mix->amounts['sulphur'] ?? NAN, 1e-6);
        self::assertSame('stop', $high(['causes' => ['carbonate' => 'yes'] + $no])->line('sulphur')?->kind);
        self::assertSame('stop', $high(['fizzes' => true, 'causes' => $no])->line('sulphur')?->kind);
        self::assertSame('ask', $high(['causes' => ['irrigation_water' => 'yes'] + $no])->line('sulphur')?->kind);
        self::assertEqualsWithDelta(0.0, $high(['causes' => $no])->mix->supplied['lime'], 1e-9);
    }

    public function test_days_follow_the_order_of_the_work(): void
    {
        $days = Made::program(Made::part(), 'corn', ['plant_on' => '2027-09-01'])->days;
        $on = array_column($days, 'on', 'product');
        self::assertSame('2027-03-05', $on['limestone-pelleted'] ?? $on['limestone-calcitic'] ?? $on['limestone-dolomitic'] ?? '');
        $late = Made::program(Made::part())->days[0];
        self::assertSame([true, Made::TODAY], [$late['late'], $late['on']]);
        $parts = array_filter($days, static fn (array $day): bool => $day['product'] === 'urea');
        self::assertSame(['2027-09-01', '2027-10-11'], array_values(array_column($parts, 'on')));
    }

    /** The nitrate test is made for a foot, for corn, and side-dressed at once: 8 lb for each ppm below 25. */
    public function test_nitrogen_by_a_nitrate_test_under_its_own_protocol_alone(): void
    {
        $by = ['by_nitrate' => true, 'plant_on' => '2027-05-05'];
        $tested = ['p' => 60.0, 'k' => 300.0, 'cec' => 8.0, 'no3n' => [15.0, '']];
        $shallow = Made::program(Made::part(tested: $tested), choices: $by);
        self::assertSame(['unknown', null], [$shallow->line('n')?->kind, $shallow->line('n')?->lbPerAcre]);
        $crop = Made::program(Made::part(tested: $tested), choices: ['by_nitrate' => false]);
        self::assertSame(150.0, $crop->line('n')?->lbPerAcre);
        $foot = Made::part(tested: $tested, more: ['layer' => '0-12in']);
        $deep = Made::program($foot, choices: $by);
        self::assertEqualsWithDelta(80.0, $deep->line('n')?->lbPerAcre, 1e-9);
        self::assertSame(['2027-06-14'], array_column(
            array_filter($deep->days, static fn (array $day): bool => $day['product'] === 'urea'),
            'on',
        ));
        self::assertSame(150.0, Made::program($foot, 'potato', $by)->line('n')?->lbPerAcre);
    }

    public function test_slow_sources_go_on_in_late_summer_or_late_winter(): void
    {
        $on = static fn (string $plantOn): string => array_column(Made::program(
            Made::part(tested: ['p' => 5.0, 'k' => 300.0, 'cec' => 8.0]),
            choices: ['products' => ['bone-meal'], 'plant_on' => $plantOn],
        )->days, 'on', 'product')['bone-meal'];
        self::assertSame('2027-03-01', $on('2027-05-05'), 'two months before planting and more');
        self::assertSame('2027-03-01', $on('2027-04-15'), 'late summer has gone by: the next before planting');
        self::assertSame('2027-08-25', $on('2027-11-01'));
        self::assertSame(Made::TODAY, $on('2027-01-15'), 'none is left: as soon as can be');
    }

    public function test_crops_that_pull_apart_are_named(): void
    {
        $part = Made::part(5.6);
        $acid = Made::part(5.6, wants: WantedCrop::of('blueberry')->pH());
        $words = implode(' ', PullApart::words([
            'corn, grain' => Made::program($part),
            'blueberry' => Made::program($acid, 'blueberry'),
        ]));
        self::assertStringContainsString('corn, grain wants pH 6.5, blueberry 4.8', $words);
        self::assertStringContainsString('Lime for corn, grain, none for blueberry', $words);
        self::assertSame([], PullApart::words(['corn, grain' => Made::program($part)]));
    }

    public function test_water_near_has_words_of_its_own(): void
    {
        self::assertStringContainsString('water near', implode(' ', Made::program(Made::part(more: ['water' => true]))->cautions));
        self::assertStringNotContainsString('water near', implode(' ', Made::program(Made::part())->cautions));
    }

    /**
     * A field under build-up and maintenance for five years: by the table's own figures 20 lb P2O5 lift the test by 1 ppm
     * and the crop takes 0.35 lb a bushel. It ends at the critical level after four, and stays there.
     */
    public function test_the_account_of_a_field_over_five_years(): void
    {
        $ppm = 12.0;
        $rates = [];
        for ($year = 1; $year <= 5; $year++) {
            $rate = NutrientRate::of(NutrientQuestion::of('p', $ppm, 'corn', yield: 160.0, years: max(1.0, 5.0 - $year)));
            self::assertNotNull($rate->lbPerAcre);
            $rates[] = $rate->lbPerAcre;
            $ppm += ($rate->lbPerAcre - 0.35 * 160) / 20;
        }
        self::assertEqualsWithDelta(20.0, $ppm, 1e-9);
        self::assertEqualsWithDelta([96.0, 96.0, 96.0, 96.0, 56.0], $rates, 1e-9);
    }

    public function test_choices_come_back_from_their_row_and_odd_ones_are_refused(): void
    {
        $choices = Made::choices('corn', [
            'overrides' => [['part' => 2, 'key' => 'n', 'lb_per_acre' => 90, 'reason' => 'Clover was ploughed under.']],
            'bed' => [10, 1.2],
            'credits' => ['legume' => 40],
            'mix' => [['part' => 1, 'product' => 'urea', 'lb_per_acre' => 50]],
        ]);
        self::assertEquals($choices->toRow(), ProgramChoices::fromRow($choices->toRow())->toRow());
        self::assertEqualsWithDelta(12.0, $choices->bedM2(), 1e-9);
        foreach (
            [
                ['crop' => 'hops'], ['plant_on' => '2027-02-30'], ['yield' => -1], ['nutrient_school' => 'luck'],
                ['bed' => [0, 2]], ['overrides' => [['part' => 0, 'key' => 'n', 'lb_per_acre' => 5, 'reason' => 'so']]],
                ['overrides' => [['part' => 0, 'key' => 'gold', 'lb_per_acre' => 5, 'reason' => 'because it is so']]],
                ['credits' => ['legume' => -5]], ['mix' => [['part' => 0, 'product' => 'urea', 'lb_per_acre' => -5]]],
            ] as $odd
        ) {
            try {
                ProgramChoices::fromRow([...Made::choices()->toRow(), ...$odd]);
                self::fail(json_encode($odd, JSON_THROW_ON_ERROR).' was taken.');
            } catch (\HonestCore\Error\CoreError $error) {
                self::assertNotSame('', $error->forPeople());
            }
        }
    }
}
