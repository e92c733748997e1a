<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\ChiSquare;
use HonestCore\Statistics\Spread;

/**
 * Pooled within-sample standard deviation of replicates.
 *
 * Quantity and unit: the unit of the readings, or natural logs on the ratio scale.
 * Domain: null without replicates, or when the readings are bands; the degrees of freedom count either way.
 * Source: chi-square interval of a variance, any statistics handbook; detectable change 1.96 * sqrt(2) * sd.
 */
final readonly class Repeatability
{
    public const FACTOR = 1.96 * M_SQRT2;

    /** @param array{float, float}|null $interval */
    private function __construct(public ?float $sd, public int $degrees, public ?array $interval) {}

    /** @param iterable<PairedSample> $samples */
    public static function of(iterable $samples, Policy $policy): self
    {
        [$sum, $degrees, $numeric] = [0.0, 0, true];
        foreach ($samples as $sample) {
            $degrees += $sample->replicates() - 1;
            $readings = $sample->readings;
            if ($readings === []) {
                $numeric = false;
            } elseif (count($readings) > 1) {
                $sum += Spread::sumOfSquares(array_map($policy->scale->of(...), $readings));
            }
        }
        if ($degrees === 0 || ! $numeric) {
            return new self(null, $degrees, null);
        }
        $alpha = 1 - $policy->intervalsAt($degrees);

        return new self(sqrt($sum / $degrees), $degrees, [
            sqrt($sum / ChiSquare::quantile(1 - $alpha / 2, $degrees)),
            sqrt($sum / ChiSquare::quantile($alpha / 2, $degrees)),
        ]);
    }

    /** No less than the smallest step of the test's scale. */
    public function detectableChange(float $resolution = 0.0): ?float
    {
        return $this->sd === null ? null : max($resolution, self::FACTOR * $this->sd);
    }
}
