<?php

declare(strict_types=1);

namespace HonestCore\Tests\Variance;

use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Error\CoreError;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Variance\HuberSpread;
use HonestCore\Variance\NestedDesign;
use HonestCore\Variance\VarianceSplit;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

#[CoversClass(NestedDesign::class)]
final class VarianceSplitTest extends TestCase
{
    /**
     * Nitrate in lettuce, mg/kg: Eurachem/CITAC/EUROLAB guide, worked example A1 (data and results from memory of the
     * guide; they fit one another).
     */
    private const LETTUCE = [
        [[3898, 4139], [4466, 4693]],
        [[3910, 3993], [4201, 4126]],
        [[5708, 5903], [4061, 3782]],
        [[5028, 4754], [5450, 5416]],
        [[4640, 4401], [4248, 4191]],
        [[5182, 5023], [4662, 4839]],
        [[3028, 3224], [3023, 2901]],
        [[3966, 4283], [4131, 3788]],
    ];

    public function test_the_published_example_comes_out_to_the_printed_digits(): void
    {
        $split = VarianceSplit::of(self::lettuce());
        self::assertEqualsWithDelta(4408, $split->robust['mean'], 0.5);
        self::assertEqualsWithDelta(
            [565.4, 319.05, 167.94, 360.55],
            [
                $split->robust['sd_between'],
                $split->robust['sd_sampling'],
                $split->robust['sd_analysis'],
                $split->robust['sd_measurement'],
            ],
            0.05,
        );
        // Interval of the classical figure: NumPy and SciPy from the mean squares.
        self::assertEqualsWithDelta(
            [538.9324517042929, 368.36020276458123, 1000.2160576966403],
            [$split->classical['sd_measurement'], ...$split->measurementInterval ?? []],
            1e-6,
        );
        self::assertEqualsWithDelta(0.164, $split->expandedRelative, 0.0005);
        self::assertEqualsWithDelta(
            [4345.6, 518.16, 148.18, 538.93],
            [
                $split->classical['mean'],
                $split->classical['sd_sampling'],
                $split->classical['sd_analysis'],
                $split->classical['sd_measurement'],
            ],
            0.05,
        );
        self::assertEqualsWithDelta(1.0, array_sum($split->share), 1e-12);
        self::assertSame([], $split->reasons);
    }

    public function test_another_unit_and_another_order_change_no_share(): void
    {
        $split = VarianceSplit::of(self::lettuce());
        $other = [];
        foreach (array_reverse(self::lettuce()->targets) as [$a, $b]) {
            $other[] = [[$b[1] / 4.427, $b[0] / 4.427], [$a[1] / 4.427, $a[0] / 4.427]];
        }
        $turned = VarianceSplit::of(NestedDesign::of($other));
        self::assertEqualsWithDelta($split->share, $turned->share, 1e-9);
        self::assertEqualsWithDelta($split->robust['sd_sampling'] / 4.427, $turned->robust['sd_sampling'], 1e-6);
        self::assertEqualsWithDelta($split->expandedRelative, $turned->expandedRelative, 1e-9);
    }

    public function test_a_variance_below_zero_is_zero_and_said_and_equal_values_have_no_share(): void
    {
        $split = VarianceSplit::of(
            NestedDesign::of([[[1.0, 9.0], [9.0, 1.0]], [[2.0, 8.0], [8.0, 2.0]], [[1.0, 9.0], [8.0, 2.0]]]),
        );
        self::assertSame([0.0, 0.0], [$split->classical['sd_sampling'], $split->classical['sd_between']]);
        self::assertStringContainsString(
            'The classical variance of sampling came out below 0',
            implode(' ', $split->reasons),
        );
        $equal = VarianceSplit::of(NestedDesign::of([[[5.0, 5.0], [5.0, 5.0]], [[5.0, 5.0], [5.0, 5.0]]]));
        self::assertSame(['between' => null, 'sampling' => null, 'analysis' => null], $equal->share);
        self::assertSame(0.0, $equal->expandedRelative);
        self::assertStringContainsString('no spread to share out', implode(' ', $equal->reasons));
        self::assertNull(
            VarianceSplit::of(NestedDesign::of([[[-5.0, -4.0], [-5.0, -6.0]], [[-5.0, -5.2], [-5.0, -5.0]]]))
                ->expandedRelative,
        );
    }

    /**
     * The robust figures are made for normal data: over many designs they find what was put in, and one slip hardly
     * moves them.
     */
    public function test_simulated_ground_sampling_and_analysis_are_found_again(): void
    {
        $random = new Randomizer(new Mt19937(20));
        $normal = static fn (): float => sqrt(-2 * log(($random->getInt(0, 2 ** 31) + 0.5) / (2 ** 31 + 1))) *
            cos((2 * M_PI * $random->getInt(0, 2 ** 31)) / 2 ** 31);
        [$sums, $slips] = [array_fill(0, 6, 0.0), [0.0, 0.0]];
        for ($round = 0; $round < 300; $round++) {
            $targets = [];
            for ($t = 0; $t < 12; $t++) {
                $ground = 6.2 + 0.5 * $normal();
                $sample = static function () use ($ground, $normal): array {
                    $bag = $ground + 0.2 * $normal();

                    return [$bag + 0.08 * $normal(), $bag + 0.08 * $normal()];
                };
                $targets[] = [$sample(), $sample()];
            }
            $split = VarianceSplit::of(NestedDesign::of($targets));
            foreach ([$split->classical, $split->robust] as $i => $found) {
                foreach (['sd_between', 'sd_sampling', 'sd_analysis'] as $j => $name) {
                    $sums[3 * $i + $j] += $found[$name] ** 2 / 300;
                }
            }
            $targets[0][0][0] += 3.0;
            $slipped = VarianceSplit::of(NestedDesign::of($targets));
            $slips[0] += $slipped->classical['sd_analysis'] / 300;
            $slips[1] += $slipped->robust['sd_analysis'] / 300;
        }
        foreach ([0.5, 0.2, 0.08, 0.5, 0.2, 0.08] as $i => $sd) {
            self::assertEqualsWithDelta(1.0, $sums[$i] / $sd ** 2, 0.1, "figure {$i}");
        }
        self::assertGreaterThan(0.4, $slips[0]);
        self::assertLessThan(0.12, $slips[1]);
    }

    public function test_the_spread_of_normal_groups_is_not_biased(): void
    {
        self::assertSame(0.0, HuberSpread::of([[3.0, 3.0], [4.0, 4.0]])->variance);
        self::assertSame([3.0, 4.0], HuberSpread::of([[3.0, 3.0], [4.0, 4.0]])->means);
    }

    /** @return array<string, array{string, string}> */
    public static function refused(): array
    {
        $rows =
            "target,sample,analysis,value\n1,1,1,5\n1,1,2,5.1\n1,2,1,5.2\n1,2,2,5.3\n2,1,1,6\n2,1,2,6.1\n2,2,1,6.2\n2,2,2,6.3\n";

        return [
            'no rows' => ["target,sample,analysis,value\n", 'no rows'],
            'a missing column' => ["target,sample,value\n1,1,2\n", 'analysis is missing'],
            'text for a value' => [str_replace('6.3', 'x', $rows), 'row 9: value is "x"'],
            'an empty value' => [str_replace('6.3', '', $rows), 'row 9: value is an empty cell'],
            'no number' => [str_replace('6.3', 'NAN', $rows), 'row 9'],
            'a lone analysis' => [str_replace("2,2,2,6.3\n", '', $rows), 'row 8: sample 2 of target 2 has 1 '.
                'analysis'],
            'a lone sample' => [str_replace("2,2,1,6.2\n2,2,2,6.3\n", '', $rows), 'row 7: target 2 has 1 sample'],
            'three samples' => ["{$rows}2,3,1,6\n", 'row 10: target 2 has 3 samples'],
            'one target' => [implode("\n", array_slice(explode("\n", $rows), 0, 5)), 'there is 1 target'],
            'an analysis twice' => [
                "{$rows}2,2,2,6.4\n",
                'row 10: analysis 2 of sample 2 of target 2 stands in row 9 already',
            ],
            'no target' => [str_replace("\n2,1,1,6\n", "\n,1,1,6\n", $rows), 'row 6: the target is empty'],
            'too large' => [str_replace('6.3', '1e13', $rows), 'row 9'],
        ];
    }

    #[DataProvider('refused')]
    public function test_what_is_no_balanced_design_is_refused_with_its_row(string $csv, string $says): void
    {
        try {
            NestedDesign::parse($csv);
            self::fail('accepted');
        } catch (CoreError $error) {
            self::assertTrue($error instanceof BadRow || $error instanceof BadTable);
            self::assertStringContainsString($says, $error->getMessage());
        }
    }

    public function test_a_design_of_numbers_is_checked_too(): void
    {
        $this->expectException(ValueOutOfRange::class);
        NestedDesign::of([[[1.0, NAN], [1.0, 1.0]], [[1.0, 1.0], [1.0, 1.0]]]);
    }

    private static function lettuce(): NestedDesign
    {
        $rows = ['target,sample,analysis,value'];
        foreach (self::LETTUCE as $t => $samples) {
            foreach ($samples as $k => $analyses) {
                foreach ($analyses as $a => $value) {
                    $rows[] = "{$t},{$k},{$a},{$value}";
                }
            }
        }

        return NestedDesign::parse(implode("\n", $rows));
    }
}
