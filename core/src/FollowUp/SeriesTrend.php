<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;

/**
 * The slope of a stretch of a series.
 *
 * Quantity and unit: the analyte's unit a year of 365.25 days, with its interval.
 * Domain: 3 points or more on 2 days or more, else there is none.
 * Variant: ordinary least squares of the means of rounds on time; t with n - 2 degrees of freedom. The interval rests on how the
 *   points lie about the line, not on the stated uncertainties; points that lie on it exactly give no interval.
 * Source: R's lm and confint.
 */
final readonly class SeriesTrend
{
    private const DAYS = 365.25;

    /** @param array{float, float}|null $interval */
    private function __construct(public int $points, public float $slope, public ?array $interval, public float $confidence) {}

    /** @param list<SeriesPoint> $points of one stretch */
    public static function of(array $points, int $fewest, float $confidence = 0.95): ?self
    {
        $n = count($points);
        if ($n < max(3, $fewest)) {
            return null;
        }
        $years = array_map(
            static fn (SeriesPoint $point): float => (new \DateTimeImmutable("{$point->on} UTC"))->getTimestamp() / 86400 / self::DAYS,
            $points,
        );
        $values = array_map(static fn (SeriesPoint $point): float => $point->mean(), $points);
        [$x, $y] = [Spread::mean($years), Spread::mean($values)];
        $sxx = array_sum(array_map(static fn (float $one): float => ($one - $x) ** 2, $years));
        if ($sxx <= 0.0) {
            return null;
        }
        $slope = array_sum(array_map(static fn (float $t, float $v): float => ($t - $x) * ($v - $y), $years, $values)) / $sxx;
        $left = array_sum(
            array_map(static fn (float $t, float $v): float => ($v - $y - $slope * ($t - $x)) ** 2, $years, $values),
        );
        $half = StudentT::quantile(1 - (1 - $confidence) / 2, $n - 2) * sqrt($left / ($n - 2) / $sxx);

        return new self($n, $slope, $left > 1e-18 ? [$slope - $half, $slope + $half] : null, $confidence);
    }

    /** Can it be told from no change? */
    public function isSeen(): bool
    {
        return $this->interval !== null && ($this->interval[0] > 0 || $this->interval[1] < 0);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'points' => $this->points,
            'slope' => $this->slope,
            'interval' => $this->interval,
            'confidence' => $this->confidence,
            'seen' => $this->isSeen(),
        ];
    }
}
