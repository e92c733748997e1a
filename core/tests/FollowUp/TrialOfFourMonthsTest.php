<?php

declare(strict_types=1);

namespace HonestCore\Tests\FollowUp;

use HonestCore\Response\DressingResponse;
use HonestCore\Response\PlotChanges;
use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\TestCase;

/**
 * A trial of four months as practitioners read it (common practice): one dressing of calcitic lime at 80 lb/1,000 sq ft took pH
 * 4.28 to 5.22 and 6.06 to 7.07; 40 lb, and dolomitic at 80, did less and about alike; 4 and 8 lb of sulphur moved a soil of 7.49
 * and not one of 8.36; citric acid at 2 and 4 lb did not differ; the control drifted with its irrigation water.
 * The means are those of the trial; how its four plots lie about them is made up.
 */
#[CoversNothing]
final class TrialOfFourMonthsTest extends TestCase
{
    /** How four plots lie about their mean. */
    private const PLOTS = [-0.09, 0.05, 0.11, -0.07];

    /** What the water did to ground that nothing was spread on. */
    private const DRIFT = 0.2;

    public function test_a_full_dressing_moves_about_one_unit_on_very_sour_and_on_slightly_sour_ground(): void
    {
        foreach ([[4.28, 5.22], [6.06, 7.07]] as [$before, $after]) {
            $found = self::against($after - $before, self::DRIFT, 1.0 - self::DRIFT);
            self::assertSame('as_expected', $found->word);
            self::assertEqualsWithDelta($after - $before - self::DRIFT, $found->difference, 1e-12);
        }
    }

    public function test_half_of_it_and_dolomitic_stone_do_less_and_about_alike(): void
    {
        foreach ([0.55, 0.6] as $change) {
            self::assertSame('less', self::against($change, self::DRIFT, 1.0 - self::DRIFT)->word);
        }
        self::assertSame('not_seen', self::against(0.55, 0.6, null)->word, 'One against the other.');
    }

    public function test_sulphur_moves_the_soil_of_7_49_and_not_the_one_of_8_36(): void
    {
        self::assertSame('changed', self::against(-0.45, self::DRIFT, null)->word);
        self::assertSame('more', self::against(-0.45, self::DRIFT, -0.2)->word);
        $stubborn = self::against(0.08, self::DRIFT, -0.5);
        self::assertSame('not_seen', $stubborn->word);
        self::assertLessThan(0.5, $stubborn->smallestSeen, 'It would have been seen.');
    }

    public function test_two_rates_of_citric_acid_do_not_differ(): void
    {
        self::assertSame('not_seen', self::against(0.02, 0.05, null)->word);
    }

    public function test_without_the_control_the_drift_of_the_water_would_pass_for_the_dressing(): void
    {
        $alone = DressingResponse::of(PlotChanges::of(self::plots(self::DRIFT), []));
        self::assertSame('no_control', $alone->word);
        self::assertGreaterThan(0.0, $alone->interval[0] ?? 0.0, 'The change itself is there.');
        self::assertSame('not_seen', self::against(self::DRIFT, self::DRIFT, null)->word, 'And is none beside the control.');
    }

    private static function against(float $treated, float $control, ?float $expected): DressingResponse
    {
        return DressingResponse::of(PlotChanges::of(self::plots($treated), array_reverse(self::plots($control))), $expected);
    }

    /** @return non-empty-list<float> */
    private static function plots(float $mean): array
    {
        return array_map(static fn (float $one): float => $mean + $one, self::PLOTS);
    }
}
