<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\NoncentralT;
use HonestCore\Statistics\Spread;

/**
 * The limits of agreement where the readings end: the difference regressed on the mean of the two, at the 10th and
 * the 90th percentile of those means.
 *
 * Quantity and unit: the unit of the readings, or natural logs on the ratio scale.
 * Domain: 4 pairs or more, of which at least one degree of freedom is left when clusters have taken their part.
 * Variant: percentiles of type 7; the ends of an interval are the one that refutes, at half the risk, and the one that
 * proves.
 * Accuracy: 1e-9 from SciPy's noncentral t and NumPy's least squares.
 * Source: Bland & Altman 1999, section 3.2; tolerance limits of a regression by the noncentral t; percentiles: Hyndman
 * & Fan 1996.
 *
 * @phpstan-type End array{at: float, mean: float, lower: float, upper: float, lower_ci: array{float, float},
 *     upper_ci: array{float, float}}
 */
final readonly class LimitsAtEnds
{
    private const FEWEST = 4;

    private const SHARES = [0.1, 0.9];

    /** Residuals below this are rounding of binary fractions, not spread. */
    private const ROUNDING = 1e-9;

    /** @param array{End, End} $ends */
    private function __construct(public array $ends, public ?float $spreadP, public ?float $spreadSlope) {}

    /**
     * @param list<float> $middles
     * @param list<float> $differences
     * @param float $effect design effect of clusters, 1 where pairs stand alone
     */
    public static function of(array $middles, array $differences, float $confidence, float $effect = 1.0): ?self
    {
        $n = count($middles);
        if ($n < self::FEWEST || $middles === [] || $differences === []) {
            return null;
        }
        [$centre, $level] = [Spread::mean($middles), Spread::mean($differences)];
        $xx = self::spread($middles);
        $slope = $xx === 0.0 ? 0.0 : self::products($middles, $differences) / $xx;
        $residuals = array_map(
            static fn (float $x, float $d): float => $d - $level - $slope * ($x - $centre),
            $middles,
            $differences,
        );
        $left = $n - ($xx === 0.0 ? 1 : 2);
        $sd = sqrt(array_sum(array_map(static fn (float $residual): float => $residual ** 2, $residuals)) / $left);
        $degrees = $n / $effect - ($xx === 0.0 ? 1 : 2);
        if ($degrees < 1) {
            return null;
        }
        $end = static function (float $share) use (
            $middles,
            $n,
            $effect,
            $centre,
            $level,
            $slope,
            $xx,
            $sd,
            $degrees,
            $confidence,
        ): array {
            $at = self::percentile($middles, $share);
            $leverage = $effect * (1 / $n + ($xx === 0.0 ? 0.0 : ($at - $centre) ** 2 / $xx));
            $reach = static fn (float $p): float => $sd *
                sqrt($leverage) *
                NoncentralT::quantile($p, $degrees, Differences::FACTOR / sqrt($leverage));
            [$fitted, $inner, $outer] = [
                $level + $slope * ($at - $centre),
                $reach((1 - $confidence) / 4),
                $reach($confidence),
            ];

            return [
                'at' => $at,
                'mean' => $fitted,
                'lower' => $fitted - Differences::FACTOR * $sd,
                'upper' => $fitted + Differences::FACTOR * $sd,
                'lower_ci' => [$fitted - $outer, $fitted - $inner],
                'upper_ci' => [$fitted + $inner, $fitted + $outer],
            ];
        };
        $sizes = array_map(abs(...), $residuals);
        $trend = $xx === 0.0 || max($sizes) <= self::ROUNDING ? null : Trend::of($middles, $sizes);

        return new self([$end(self::SHARES[0]), $end(self::SHARES[1])], $trend?->p, $trend?->slope);
    }

    /** Does either end reach beyond what is allowed, even by the ends of its intervals that refute? */
    public function goBeyond(float $allowed): bool
    {
        return array_filter(
            $this->ends,
            static fn (array $end): bool => $end['upper_ci'][0] > $allowed || $end['lower_ci'][1] < -$allowed,
        ) !== [];
    }

    /** Do both ends stay within what is allowed, by the ends of their intervals that prove? */
    public function stayWithin(float $allowed): bool
    {
        return array_filter(
            $this->ends,
            static fn (array $end): bool => $end['upper_ci'][1] > $allowed || $end['lower_ci'][0] < -$allowed,
        ) === [];
    }

    /** @param non-empty-list<float> $values */
    private static function percentile(array $values, float $share): float
    {
        sort($values);
        $place = $share * (count($values) - 1);
        $below = (int) floor($place);

        return $values[$below] + ($place - $below) * (($values[$below + 1] ?? $values[$below]) - $values[$below]);
    }

    /** @param non-empty-list<float> $values */
    private static function spread(array $values): float
    {
        $sum = Spread::sumOfSquares($values);

        return $sum <= count($values) * (Trend::ROUNDING * max(array_map(abs(...), $values))) ** 2 ? 0.0 : $sum;
    }

    /**
     * @param non-empty-list<float> $x
     * @param non-empty-list<float> $y
     */
    private static function products(array $x, array $y): float
    {
        [$meanX, $meanY] = [Spread::mean($x), Spread::mean($y)];

        return array_sum(
            array_map(static fn (float $one, float $other): float => ($one - $meanX) * ($other - $meanY), $x, $y),
        );
    }
}
