<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Agreement\Policy;
use HonestCore\Agreement\Repeatability;
use HonestCore\Statistics\Spread;

/**
 * Whether the claims of a test hold in truth: by what would come of many more composites of such soils.
 *
 * Quantity and unit: pH; differences are test less lab.
 * Variant: 400 more composites; "sort" as often right as the policy requires and in no action class worse than luck; "rate" by the
 *   95 % limits of the differences within its tolerance; "track" by what two readings of one soil differ by.
 */
final readonly class ClaimTruth
{
    private const FUTURE = 400;

    private const USUAL_LIMITS = 1.96;

    private const LUCK = 0.5;

    /**
     * @param array{sort: bool, rate: bool, track: bool} $holds
     * @param float $bias mean of the differences
     * @param float $sd their standard deviation
     * @param float $agreeing share that falls into the lab's own action class
     */
    private function __construct(public array $holds, public float $bias, public float $sd, public float $agreeing) {}

    /**
     * @param \Closure(int): float $soil the pH of one more composite
     * @param \Closure(float, int): float $test what the test says of it, as often read as it is in earnest
     * @param \Closure(float): float $lab what the lab says of it
     * @param float $repeat the test's own spread, pH
     */
    public static function of(\Closure $soil, \Closure $test, \Closure $lab, float $repeat, Policy $policy): self
    {
        $agree = $of = array_fill(0, $policy->limits->classes(), 0);
        $differences = [];
        for ($i = 0; $i < self::FUTURE; $i++) {
            $ph = $soil($i);
            [$reference, $read] = [$lab($ph), $test($ph, $i)];
            $class = $policy->limits->classOf($reference);
            $of[$class]++;
            $agree[$class] += $policy->limits->classOf($read) === $class ? 1 : 0;
            $differences[] = $read - $reference;
        }
        [$bias, $sd] = [Spread::mean($differences), Spread::standardDeviation($differences) ?? 0.0];

        return new self(
            [
                'sort' => self::sorts($agree, $of, $policy->required),
                'rate' => abs($bias) + self::USUAL_LIMITS * $sd <= $policy->tolerance(),
                'track' => Repeatability::FACTOR * hypot($repeat, PracticeSeason::SPLIT_SD) <= $policy->changeToSee(),
            ],
            $bias,
            $sd,
            array_sum($agree) / array_sum($of),
        );
    }

    /**
     * @param array<int, int> $agree by class
     * @param array<int, int> $of
     */
    private static function sorts(array $agree, array $of, float $required): bool
    {
        foreach ($of as $class => $n) {
            if ($n > 0 && $agree[$class] / $n < self::LUCK) {
                return false;
            }
        }

        return array_sum($agree) / array_sum($of) >= $required;
    }
}
