<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\ActionTally;
use HonestCore\Agreement\Concordance;
use HonestCore\Agreement\Deming;
use HonestCore\Agreement\Differences;
use HonestCore\Agreement\Kappa;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\PassingBablok;
use HonestCore\Statistics\BinomialBound;
use HonestCore\Statistics\ChiSquare;
use HonestCore\Statistics\ConfidenceSequence;
use HonestCore\Statistics\NoncentralT;
use HonestCore\Statistics\StudentT;
use HonestCore\Tests\ReferenceData;
use HonestCore\Variance\HuberSpread;
use HonestCore\Variance\NestedDesign;
use HonestCore\Variance\VarianceSplit;
use PHPUnit\Framework\TestCase;

/**
 * Two hundred made-up comparisons against R with epiR, psych, vcd and robustbase, and hundreds of bounds against
 * SciPy: see Reference/many.R and many.py.
 */
final class ManySetsTest extends TestCase
{
    public function test_differences_trends_lines_and_concordance_of_two_hundred_sets(): void
    {
        foreach (ReferenceData::of('many')['sets'] as $i => $set) {
            [$x, $y] = [self::floats($set['x']), self::floats($set['y'])];
            $found = Differences::between($x, $y, 0.95);
            self::assertEqualsWithDelta($set['d'], [$found->mean, $found->sd], 1e-9, "set {$i}");
            self::assertEqualsWithDelta($set['ci'], $found->meanInterval, 1e-8, "set {$i}");
            self::assertEqualsWithDelta($set['t'], [$found->trend->slope, $found->trend->p], 1e-7, "set {$i}");
            $deming = Deming::fit($x, $y);
            self::assertEqualsWithDelta($set['dem'], [$deming->slope, $deming->intercept], 1e-6, "set {$i}");
            $ranks = PassingBablok::fit($x, $y, 0.95);
            self::assertEqualsWithDelta(
                $set['pb'],
                [$ranks->slope, $ranks->slopeInterval[0] ?? null, $ranks->slopeInterval[1] ?? null, $ranks->intercept],
                1e-8,
                "set {$i}",
            );
            self::assertEqualsWithDelta($set['ccc'], Concordance::of($x, $y, 0.95)->toArray()['ccc'], 1e-9, "set {$i}");
        }
    }

    public function test_action_tables_and_kappas(): void
    {
        $many = ReferenceData::of('many');
        $compared = 0;
        foreach ($many['sets'] as $i => $set) {
            $samples = array_map(
                static fn (float $x, float $y): PairedSample => PairedSample::numeric("s{$x}", $x, [$y]),
                self::floats($set['x']),
                self::floats($set['y']),
            );
            $tally = ActionTally::of($samples, ActionLimits::of([6.0, 7.3]), null);
            self::assertSame($set['m'], $tally->matrix, "set {$i}");
            if ($set['k'][0] !== null) {
                $kappa = Kappa::of($tally->matrix ?? []);
                self::assertEqualsWithDelta(
                    $set['k'],
                    [$kappa->unweighted, $kappa->linear, $kappa->quadratic],
                    1e-9,
                    "set {$i}",
                );
                $compared++;
            }
            if (isset($many['psych'][$i])) {
                self::assertEqualsWithDelta(
                    $many['psych'][$i],
                    Kappa::of($tally->matrix ?? [])->quadratic,
                    1e-9,
                    "psych, set {$i}",
                );
            }
        }
        self::assertGreaterThan(100, $compared);
    }

    public function test_nested_designs_and_robust_groups(): void
    {
        foreach (ReferenceData::of('many')['nested'] as $i => $design) {
            $targets = [];
            foreach (array_chunk(array_map(floatval(...), $design['y']), 4) as [$a, $b, $c, $d]) {
                $targets[] = [[$a, $b], [$c, $d]];
            }
            [$msTarget, $msSample, $msAnalysis] = $design['ms'];
            $classical = VarianceSplit::of(NestedDesign::of($targets))->classical;
            self::assertEqualsWithDelta(sqrt($msAnalysis), $classical['sd_analysis'], 1e-9, "design {$i}");
            self::assertEqualsWithDelta(
                sqrt(max(0, ($msSample - $msAnalysis) / 2)),
                $classical['sd_sampling'],
                1e-8,
                "design {$i}",
            );
            self::assertEqualsWithDelta(
                sqrt(max(0, ($msTarget - $msSample) / 4)),
                $classical['sd_between'],
                1e-8,
                "design {$i}",
            );
        }
        foreach (ReferenceData::of('many')['huber'] as $i => $group) {
            $found = HuberSpread::of([self::floats($group['y'])]);
            self::assertEqualsWithDelta(
                [$group['mu'], $group['s']],
                [$found->means[0], sqrt($found->variance)],
                1e-7,
                "group {$i}",
            );
        }
    }

    public function test_bounds_bets_and_quantiles_against_scipy(): void
    {
        $scipy = ReferenceData::of('many-scipy');
        foreach ($scipy['bounds'] as [$hits, $trials, $confidence, $lower, $upper]) {
            self::assertEqualsWithDelta(
                [$lower, $upper],
                [BinomialBound::lower($hits, $trials, $confidence), BinomialBound::upper($hits, $trials, $confidence)],
                1e-10,
                "{$hits} of {$trials}",
            );
        }
        foreach ($scipy['bets'] as [$hits, $trials, $confidence, $bound, $share, $bet]) {
            self::assertEqualsWithDelta(
                $bet,
                ConfidenceSequence::logBet($hits, $trials, $share),
                1e-8 * max(1, abs($bet)),
                "{$hits} of {$trials} at {$share}",
            );
            self::assertEqualsWithDelta(
                $bound,
                ConfidenceSequence::lower($hits, $trials, $confidence),
                1e-9,
                "{$hits} of {$trials}",
            );
        }
        foreach ($scipy['limits'] as [$n, $confidence, $low, $high]) {
            self::assertEqualsWithDelta(
                [$low, $high],
                [
                    NoncentralT::quantile((1 - $confidence) / 2, $n - 1, 1.96 * sqrt($n)),
                    NoncentralT::quantile((1 + $confidence) / 2, $n - 1, 1.96 * sqrt($n)),
                ],
                1e-7 * max(1, abs($high)),
                "{$n} pairs",
            );
        }
        foreach ($scipy['spreads'] as [$n, $confidence, $low, $high, $t]) {
            self::assertEqualsWithDelta(
                [$low, $high, $t],
                [
                    ChiSquare::quantile((1 - $confidence) / 2, $n),
                    ChiSquare::quantile((1 + $confidence) / 2, $n),
                    StudentT::quantile((1 + $confidence) / 2, $n),
                ],
                1e-8 * max(1, $high, $t),
                "{$n} degrees",
            );
        }
    }

    /**
     * @param list<int|float> $values
     * @return non-empty-list<float>
     */
    private static function floats(array $values): array
    {
        $floats = array_map(floatval(...), array_values($values));

        return $floats === [] ? self::fail('no values') : $floats;
    }
}
