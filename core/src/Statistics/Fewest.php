<?php

declare(strict_types=1);

namespace HonestCore\Statistics;

final class Fewest
{
    /**
     * Smallest whole number from $from on for which a condition holds that, once true, stays true.
     *
     * Domain: the condition must hold somewhere; doubling and bisection, so about 2 log2(answer) trials.
     *
     * @param callable(int): bool $holds
     */
    public static function from(int $from, callable $holds): int
    {
        if ($holds($from)) {
            return $from;
        }
        [$low, $step] = [$from, 1];
        while (! $holds($low + $step)) {
            $low += $step;
            $step *= 2;
        }
        $high = $low + $step;
        while ($high - $low > 1) {
            $middle = $low + intdiv($high - $low, 2);
            $holds($middle) ? ($high = $middle) : ($low = $middle);
        }

        return $high;
    }
}
