<?php

declare(strict_types=1);

namespace HonestCore\Tests\Statistics;

use HonestCore\Error\CoreError;
use HonestCore\Statistics\BinomialBound;
use HonestCore\Statistics\ChiSquare;
use HonestCore\Statistics\ConfidenceSequence;
use HonestCore\Statistics\NoncentralT;
use HonestCore\Statistics\Normal;
use HonestCore\Statistics\StudentT;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The distributions against R 4.2: see Reference/statistics.R. */
#[CoversClass(BinomialBound::class)]
#[CoversClass(ConfidenceSequence::class)]
final class DistributionsTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, float>}> */
    public static function quantiles(): iterable
    {
        foreach (['student', 'chi_square', 'normal', 'noncentral_t'] as $law) {
            foreach (ReferenceData::of('statistics')[$law] as $row) {
                yield $law.' '.json_encode($row) => [$law, $row];
            }
        }
    }

    /** @param array<string, float> $row */
    #[DataProvider('quantiles')]
    public function test_quantiles_are_those_of_r(string $law, array $row): void
    {
        $found = match ($law) {
            'student' => StudentT::quantile($row['p'], $row['df']),
            'chi_square' => ChiSquare::quantile($row['p'], $row['df']),
            'normal' => Normal::quantile($row['p']),
            default => NoncentralT::quantile($row['p'], $row['n'] - 1, 1.96 * sqrt($row['n'])),
        };

        self::assertEqualsWithDelta($row['q'], $found, 1e-7 * max(1, abs($row['q'])));
    }

    public function test_a_quantile_is_where_the_distribution_reaches_its_share(): void
    {
        foreach ([2, 5, 17, 1000, 50_000] as $n) {
            foreach ([0.025, 0.5, 0.975] as $p) {
                $ncp = 1.96 * sqrt($n);
                self::assertEqualsWithDelta(
                    $p,
                    NoncentralT::cdf(NoncentralT::quantile($p, $n - 1, $ncp), $n - 1, $ncp),
                    1e-8,
                    "n {$n}, p {$p}",
                );
            }
        }
    }

    public function test_noncentral_t_without_noncentrality_is_students_t(): void
    {
        foreach ([[0.3, 3], [1.7, 9], [2.9, 40]] as [$t, $df]) {
            self::assertEqualsWithDelta(1 - StudentT::twoSided($t, $df) / 2, NoncentralT::cdf($t, $df, 0.0), 1e-10);
        }
    }

    /** Far out the tail is a continued fraction: R 4.2, pnorm. */
    public function test_the_far_tail_of_the_normal_is_that_of_r(): void
    {
        foreach (
            [
                '-7.2' => 3.0106279811174334e-13,
                '-8' => 6.2209605742717849e-16,
                '-10' => 7.6198530241605269e-24,
                '-20' => 2.7536241186062337e-89,
                '-36' => 4.182624065797283e-284,
            ] as $z => $p
        ) {
            self::assertEqualsWithDelta(1.0, Normal::cdf((float) $z) / $p, 1e-7, "z = {$z}");
        }
    }

    public function test_the_normal_distribution_is_symmetric(): void
    {
        foreach ([0.0, 0.4, 1.96, 5.5] as $z) {
            self::assertEqualsWithDelta(1.0, Normal::cdf($z) + Normal::cdf(-$z), 1e-15);
        }
        self::assertEqualsWithDelta(0.975, Normal::cdf(1.959963984540054), 1e-12);
    }

    /** @return iterable<string, array{int, int, float, float, float}> */
    public static function bounds(): iterable
    {
        foreach (ReferenceData::of('statistics')['bounds'] as $row) {
            yield "{$row['hits']} of {$row['trials']} at {$row['confidence']}, R binom.test" => [
                $row['hits'],
                $row['trials'],
                $row['confidence'],
                $row['lower'],
                $row['upper'],
            ];
        }
    }

    #[DataProvider('bounds')]
    public function test_exact_bounds_are_those_of_r(
        int $hits,
        int $trials,
        float $confidence,
        float $lower,
        float $upper,
    ): void {
        self::assertEqualsWithDelta($lower, BinomialBound::lower($hits, $trials, $confidence), 1e-10);
        self::assertEqualsWithDelta($upper, BinomialBound::upper($hits, $trials, $confidence), 1e-10);
    }

    /** First principles: with no miss in n the bound is 0.05^(1/n). */
    public function test_14_clean_pairs_prove_80_percent_and_29_prove_90(): void
    {
        self::assertEqualsWithDelta(0.05 ** (1 / 14), BinomialBound::lower(14, 14, 0.95), 1e-15);
        self::assertSame(14, BinomialBound::furtherHits(0, 0, 0.8, 0.95));
        self::assertSame(29, BinomialBound::furtherHits(0, 0, 0.9, 0.95));
        self::assertLessThan(0.8, BinomialBound::lower(13, 13, 0.95));
    }

    public function test_the_tail_at_a_bound_holds_just_the_error_allowed(): void
    {
        foreach ([[13, 15], [7, 30], [1, 4]] as [$hits, $trials]) {
            $p = BinomialBound::lower($hits, $trials, 0.95);
            $tail = 0.0;
            for ($k = $hits; $k <= $trials; $k++) {
                $tail += self::choose($trials, $k) * $p ** $k * (1 - $p) ** ($trials - $k);
            }
            self::assertEqualsWithDelta(0.05, $tail, 1e-10);
        }
    }

    public function test_a_miss_lowers_the_bound_and_a_hit_lifts_it(): void
    {
        for ($hits = 1; $hits < 20; $hits++) {
            $bound = BinomialBound::lower($hits, 20, 0.95);
            self::assertLessThan($bound, BinomialBound::lower($hits, 21, 0.95));
            self::assertGreaterThan($bound, BinomialBound::lower($hits + 1, 21, 0.95));
        }
    }

    /** Bounds for looking often are wider than those for one look, mirror one another, and begin with nothing known. */
    public function test_a_confidence_sequence_is_wider_and_begins_with_nothing(): void
    {
        self::assertSame([0.0, 1.0], [ConfidenceSequence::lower(0, 1, 0.95), ConfidenceSequence::upper(1, 1, 0.95)]);
        self::assertGreaterThanOrEqual(0.0, ConfidenceSequence::lower(1, 1, 0.95));
        for ($hits = 0; $hits <= 30; $hits += 3) {
            [$lower, $upper] = [ConfidenceSequence::lower($hits, 30, 0.95), ConfidenceSequence::upper($hits, 30, 0.95)];
            self::assertLessThanOrEqual(BinomialBound::lower($hits, 30, 0.95), $lower);
            self::assertGreaterThanOrEqual(BinomialBound::upper($hits, 30, 0.95), $upper);
            self::assertEqualsWithDelta(1 - $lower, ConfidenceSequence::upper(30 - $hits, 30, 0.95), 1e-12);
        }
    }

    /**
     * The bet of the mixture, by summing it over shares in small steps: ∫ q^h (1−q)^m dq over q above p, against
     * p^h (1−p)^m.
     */
    public function test_a_bet_is_the_mean_of_the_likelihood_ratios_above_the_share(): void
    {
        foreach ([[9, 10, 0.7], [14, 20, 0.4], [1, 3, 0.1], [50, 50, 0.9]] as [$hits, $trials, $share]) {
            [$sum, $steps] = [0.0, 20_000];
            for ($i = 0; $i < $steps; $i++) {
                $q = $share + ((1 - $share) * ($i + 0.5)) / $steps;
                $sum += exp($hits * log($q / $share) + ($trials - $hits) * log((1 - $q) / (1 - $share)));
            }
            self::assertEqualsWithDelta(
                log($sum / $steps),
                ConfidenceSequence::logBet($hits, $trials, $share),
                1e-6,
                "{$hits} of {$trials} against {$share}",
            );
        }
    }

    public function test_impossible_counts_for_looking_often_are_refused(): void
    {
        foreach ([[3, 2], [-1, 4], [0, 0]] as [$hits, $trials]) {
            try {
                ConfidenceSequence::lower($hits, $trials, 0.95);
                self::fail("{$hits} of {$trials} was accepted");
            } catch (CoreError $error) {
                self::assertSame('value_out_of_range', $error->errorCode());
            }
        }
    }

    public function test_impossible_counts_are_refused(): void
    {
        foreach ([[3, 2], [-1, 4], [0, 0]] as [$hits, $trials]) {
            try {
                BinomialBound::lower($hits, $trials, 0.95);
                self::fail("{$hits} of {$trials} was accepted");
            } catch (CoreError $error) {
                self::assertSame('value_out_of_range', $error->errorCode());
            }
        }
    }

    private static function choose(int $n, int $k): float
    {
        $ways = 1.0;
        for ($i = 1; $i <= $k; $i++) {
            $ways *= ($n - $k + $i) / $i;
        }

        return $ways;
    }
}
