<?php

declare(strict_types=1);

namespace HonestCore\Strategy;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Statistics\GaussLegendre;
use HonestCore\Statistics\Normal;
use HonestCore\Statistics\Spread;

/**
 * What lab and test together say of the true value of the ground that a composite came from.
 *
 * Quantity and unit: mean and standard deviation in the analyte's unit.
 * Rule: lab = composite + error of known spread, test = composite + bias + error; the test's variance is that of the
 *   differences less the lab's, never below 0. The composite is their mean weighted by 1/variance, the bias taken off;
 *   sampling lies between it and the ground. So the lab's error is counted once, not once in the differences and once more.
 * Domain: fewer than 3 figures of a test say nothing of its spread: then the lab's result alone stands for the truth.
 * Source: two measurements of one quantity, Grubbs 1948; weighting by inverse variance.
 * Accuracy of the chances: 1e-6, by 20-point Gauss-Legendre over each class, against bivariate normal (R mvtnorm).
 */
final readonly class TrueValue
{
    private const FEWEST = 3;

    private const POINTS = 20;

    /** Standard deviations beyond which nothing is left to count. */
    private const FAR = 8.0;

    public function __construct(public float $mean, public float $sd) {}

    /**
     * @param list<Witness> $witnesses
     * @return list<self> of each
     */
    public static function ofAll(array $witnesses, LabError $lab): array
    {
        $differences = [];
        foreach ($witnesses as $one) {
            if ($one->test !== null) {
                $differences[] = $one->test - $one->reference;
            }
        }
        $known = count($differences) >= self::FEWEST;
        $bias = $known && $differences !== [] ? Spread::mean($differences) : 0.0;
        $own = $lab->analysis ** 2;
        $test = $known ? max(0.0, (Spread::standardDeviation($differences) ?? 0.0) ** 2 - $own) : 0.0;
        $weight = $known && $own > 0 ? $test / ($test + $own) : 1.0;

        return array_map(static function (Witness $one) use ($lab, $own, $weight, $bias): self {
            $own = $one->test === null ? $own : $own * $weight;
            $mean = $one->test === null ? $one->reference : $weight * $one->reference + (1 - $weight) * ($one->test - $bias);

            return new self($mean, sqrt($own + $lab->sampling ** 2));
        }, $witnesses);
    }

    /** The same ground after it went its own way for a while. */
    public function drifted(float $sd): self
    {
        return new self($this->mean, hypot($this->sd, $sd));
    }

    /**
     * Chances that acting by a class does too little, and too much. The lowest class needs most.
     *
     * @return array{float, float}
     */
    public function missesOfClass(int $class, ActionLimits $limits): array
    {
        [$from, $to] = [$limits->values[$class - 1] ?? -INF, $limits->values[$class] ?? INF];

        return [$this->below($from), 1 - $this->below($to)];
    }

    /**
     * Chances that acting by what is seen does too little, and too much, where what is seen is the truth with an error
     * of its own.
     *
     * @param float $seen standard deviation of that error
     * @return array{float, float}
     */
    public function missesOfSight(float $seen, ActionLimits $limits): array
    {
        if ($seen <= 0) {
            return [0.0, 0.0];
        }
        [$under, $over, $last] = [0.0, 0.0, count($limits->values) - 1];
        foreach ($limits->values as $i => $limit) {
            // Ground of the class below this limit that is seen at or above it, and of the class above that is seen below.
            $under += $this->seenAcross($i === 0 ? -INF : $limits->values[$i - 1], $limit, $limit, $seen);
            $over += $this->seenAcross($limit, $i === $last ? INF : $limits->values[$i + 1], $limit, $seen);
        }

        return [$under, $over];
    }

    private function below(float $limit): float
    {
        return match (true) {
            is_infinite($limit) => $limit > 0 ? 1.0 : 0.0,
            $this->sd <= 0 => $this->mean < $limit ? 1.0 : 0.0,
            default => Normal::cdf(($limit - $this->mean) / $this->sd),
        };
    }

    /** The chance that the truth lies between two values and is seen on the other side of a limit at one end of them. */
    private function seenAcross(float $from, float $to, float $limit, float $seen): float
    {
        $sign = $limit === $to ? 1 : -1;
        if ($this->sd <= 0) {
            return $this->mean >= $from && $this->mean < $to ? Normal::cdf(($sign * ($this->mean - $limit)) / $seen) : 0.0;
        }
        $from = max($from, $this->mean - self::FAR * $this->sd, $sign > 0 ? $limit - self::FAR * $seen : -INF);
        $to = min($to, $this->mean + self::FAR * $this->sd, $sign > 0 ? INF : $limit + self::FAR * $seen);
        if ($from >= $to) {
            return 0.0;
        }
        [$nodes, $weights] = GaussLegendre::rule(self::POINTS);
        [$half, $middle, $sum] = [($to - $from) / 2, ($to + $from) / 2, 0.0];
        foreach ($nodes as $i => $node) {
            $truth = $middle + $half * $node;
            $density = exp(-0.5 * (($truth - $this->mean) / $this->sd) ** 2);
            $sum += $weights[$i] * $density * Normal::cdf(($sign * ($truth - $limit)) / $seen);
        }

        return ($half * $sum) / ($this->sd * sqrt(2 * M_PI));
    }
}
