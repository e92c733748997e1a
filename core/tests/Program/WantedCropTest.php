<?php

declare(strict_types=1);

namespace HonestCore\Tests\Program;

use HonestCore\Amounts\NutrientQuestion;
use HonestCore\Amounts\NutrientRate;
use HonestCore\Amounts\TestedValue;
use HonestCore\Error\CoreError;
use HonestCore\Program\WantedCrop;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\RuleTable;
use PHPUnit\Framework\TestCase;

final class WantedCropTest extends TestCase
{
    public function test_there_are_crops_of_every_group_and_each_is_sound(): void
    {
        $groups = [];
        foreach (WantedCrop::all() as $crop) {
            $groups[$crop->groupName()][] = $crop->code;
            self::assertLessThanOrEqual($crop->wants->target, $crop->wants->low, $crop->code);
            self::assertLessThan($crop->wants->high, $crop->wants->target, $crop->code);
            self::assertSame($crop->name, $crop->wants->name);
            $shares = array_column($crop->nitrogenSplits()->of(100.0, null, 30.0), 'lb_per_acre');
            self::assertEqualsWithDelta(100.0, array_sum($shares), 1e-9, $crop->code);
            self::assertMatchesRegularExpression('/^(0[1-9]|1[0-2])-([0-2]\d|30)$/', $crop->plantedOn(), $crop->code);
            foreach (['p', 'k'] as $analyte) {
                $asked = $crop->question($analyte, self::ppm(1.0), 8.0, 10.0, true, 4.0);
                if ($asked !== null) {
                    self::assertGreaterThan(0.0, NutrientRate::of($asked)->lbPerAcre, "{$crop->code} {$analyte}");
                }
            }
        }
        self::assertGreaterThanOrEqual(25, count(WantedCrop::all()));
        self::assertCount(8, $groups);
    }

    /** A crop that takes its figures from the shared table is answered as the command answers it. */
    public function test_field_crops_are_those_of_the_table_that_ships(): void
    {
        foreach (NutrientQuestion::CROPS as $code) {
            foreach (['p' => 12.0, 'k' => 80.0] as $analyte => $ppm) {
                $asked = WantedCrop::of($code)->question($analyte, self::ppm($ppm), 9.0, 50.0, false, 4.0);
                self::assertNotNull($asked);
                self::assertEquals(
                    NutrientRate::of(NutrientQuestion::of($analyte, $ppm, $code, yield: 50.0, cec: 9.0)),
                    NutrientRate::of($asked),
                );
            }
        }
    }

    public function test_limits_belong_to_their_extractant(): void
    {
        $corn = WantedCrop::of('corn');
        $bray = $corn->question('p', self::ppm(12.0, 'bray-1'), null, 160.0, false, 4.0);
        self::assertSame([15.0, 30.0], $bray?->ownLimits);
        // (15 - 12) ppm at 20 lb over 4 years, and 0.35 lb for each bushel.
        self::assertEqualsWithDelta(15.0 + 56.0, NutrientRate::of($bray)->lbPerAcre, 1e-9);
        self::assertNull($corn->question('p', self::ppm(12.0, 'olsen'), null, 160.0, false, 4.0));
        self::assertNull(WantedCrop::of('lawn')->question('p', self::ppm(12.0, 'bray-1'), null, null, true, 4.0));
    }

    /**
     * Tri-State bulletin E-2567 of 1995 (memory): corn, 100 bushels, 10 ppm by Bray-1 is 60 lb P2O5 in its table, by
     * (15 - 10) x 5 and 0.37 lb a bushel; the removal of 2020 is 0.35.
     */
    public function test_a_published_table_of_phosphate(): void
    {
        $asked = WantedCrop::of('corn')->question('p', self::ppm(10.0, 'bray-1'), null, 100.0, false, 4.0);
        self::assertNotNull($asked);
        self::assertEqualsWithDelta(60.0, NutrientRate::of($asked)->lbPerAcre, 0.5);
    }

    public function test_a_crop_whose_removal_nobody_knows_has_no_figure_for_building_up(): void
    {
        $asked = WantedCrop::of('blueberry')->question('p', self::ppm(5.0), null, 3.0, false, 4.0);
        self::assertNotNull($asked);
        $rate = NutrientRate::of($asked);
        self::assertSame('build', $rate->class);
        self::assertNull($rate->lbPerAcre);
        self::assertStringContainsString('no table here', implode(' ', $rate->reasons));
    }

    public function test_a_team_may_set_other_limits_and_a_crop_of_its_own_range_keeps_it(): void
    {
        self::assertSame([5.8, 7.0], [WantedCrop::of('corn')->pH(5.8, 7.0)->low, WantedCrop::of('corn')->pH(5.8, 7.0)->high]);
        self::assertSame(5.0, WantedCrop::of('potato')->pH(5.8, 7.0)->low);
    }

    public function test_a_table_of_a_team_stands_for_one_computation_only(): void
    {
        $table = RuleTable::shipped('wanted-crops');
        self::assertIsArray($table['crops']);
        self::assertIsArray($table['crops']['potato']);
        $table['crops']['potato']['ph'] = [5.2, 5.6, 6.0];
        self::assertSame(5.6, RuleTable::replacing(['wanted-crops' => $table], static fn () => WantedCrop::of('potato')->wants->target));
        self::assertSame(5.8, WantedCrop::of('potato')->wants->target);
    }

    public function test_ground_has_a_usual_crop_and_an_unknown_one_is_refused(): void
    {
        self::assertSame('apple', WantedCrop::usualFor('orchard')->code);
        self::assertSame('vegetables', WantedCrop::usualFor('something else')->code);
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage('accepted are corn, soybean');
        WantedCrop::of('hops');
    }

    private static function ppm(float $value, string $extractant = 'mehlich-3'): TestedValue
    {
        return TestedValue::of($value, null, $extractant, DepthLayer::ofInches(0, 6));
    }
}
