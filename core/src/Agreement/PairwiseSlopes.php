<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Spread;

/**
 * The slopes of the lines through every two points, ranked without listing them all.
 *
 * n points have n(n-1)/2 slopes: 5e11 for 1,000,000 points. The number of slopes below m is the number of
 * inversions of y - m x in the order of x, counted by a merge sort; a rank is found by bisection on m, and
 * once few slopes are left between the ends, these are listed and the right one is returned exactly. Points that
 * coincide, as they do where readings are rounded, are one point that counts as often. The first ends come from the
 * slopes of some pairs of points drawn by a fixed sequence: they save counting and decide nothing.
 *
 * Quantity and unit: test per reference unit.
 * Domain: finite readings. Equal references with different tests give an infinite slope, ranked last;
 *   equal in both give none.
 * Accuracy: an actual slope; slopes closer together than 1e-11 of their size are not told apart.
 * Source: first principles; counting as in Cole and others 1989, SIAM J Comput 18:792-810.
 */
final class PairwiseSlopes
{
    private const RESOLUTION = 1e-11;

    /** From so many points on it is worth while to draw first. */
    private const MANY = 20_000;

    private const DRAWN = 200_000;

    /** @var array{float, float, list<float>, list<int>}|null the slopes that were listed last, between which ends */
    private ?array $list = null;

    /** @var list<float>|null */
    private ?array $drawn = null;

    /** @var list<float> ascending */
    private array $x = [];

    /** @var list<float> in the order of x */
    private array $y = [];

    /** @var array<int, int> how many points there coincide */
    private array $times = [];

    private readonly int $points;

    private readonly float $unit;

    private int $finite;

    private int $infinite = 0;

    /** @var list<array{float, int}> slopes m and the number of slopes below, ascending */
    private array $known;

    /**
     * @param list<float> $reference
     * @param list<float> $test
     */
    public function __construct(array $reference, array $test)
    {
        $n = $this->points = count($reference);
        array_multisort($reference, SORT_NUMERIC, $test, SORT_NUMERIC);
        for ($i = 0, $last = -1; $i < $n; $i++) {
            if ($last >= 0 && $this->x[$last] === $reference[$i] && $this->y[$last] === $test[$i]) {
                $this->times[$last]++;
            } else {
                [$this->x[], $this->y[], $this->times[]] = [$reference[$i], $test[$i], 1];
                $last++;
            }
        }
        $this->finite = intdiv($n * ($n - 1), 2);
        $this->countVertical();
        [$span, $rise] = [self::usual($reference), self::usual($test)];
        $this->unit = $span > 0 && $rise > 0 ? $rise / $span : 1.0;
        $this->known = [[-INF, 0], [INF, $this->finite]];
    }

    /**
     * Slopes of some pairs of points, ascending: an even sequence of a linear congruential generator.
     *
     * @return list<float>
     */
    private function drawn(): array
    {
        [$n, $slopes, $state] = [count($this->x), [], 1];
        for ($k = 0; $k < self::DRAWN; $k++) {
            $state = ($state * 1_103_515_245 + 12_345) % 2_147_483_648;
            $i = $state % $n;
            $state = ($state * 1_103_515_245 + 12_345) % 2_147_483_648;
            $j = $state % $n;
            if ($this->x[$i] !== $this->x[$j]) {
                $slopes[] = ($this->y[$i] - $this->y[$j]) / ($this->x[$i] - $this->x[$j]);
            }
        }
        sort($slopes);

        return $slopes;
    }

    /** Ends about a rank by what was drawn, some standard errors of a share apart. */
    private function closeIn(int $rank): void
    {
        if (count($this->x) < self::MANY) {
            return;
        }
        $drawn = $this->drawn ??= $this->drawn();
        $n = count($drawn);
        if ($n < 100) {
            return;
        }
        $share = $rank / $this->finite;
        $reach = 4 * sqrt(max($share * (1 - $share), 1 / $n) / $n);
        foreach ([$share - $reach, $share + $reach] as $end) {
            $m = $drawn[(int) min($n - 1, max(0, floor($end * $n)))];
            [$low, , $high] = $this->bracket($rank);
            if ($m > $low && $m < $high) {
                $this->remember($m, $this->below($m));
            }
        }
    }

    public function finite(): int
    {
        return $this->finite;
    }

    public function infinite(): int
    {
        return $this->infinite;
    }

    /** Number of finite slopes below m. */
    public function below(float $m): int
    {
        $keys = [];
        foreach ($this->x as $i => $x) {
            $keys[] = $this->y[$i] - $m * $x;
        }

        return $this->inversions($keys);
    }

    /** Number of finite slopes within some distance of m; most often there is none, which sorting tells sooner than counting. */
    public function about(float $m, float $within): int
    {
        $keys = [];
        foreach ($this->x as $i => $x) {
            $keys[] = $this->y[$i] - $m * $x;
        }
        if (count($keys) < 2) {
            return 0;
        }
        sort($keys, SORT_NUMERIC);
        $apart = INF;
        for ($i = 1, $n = count($keys); $i < $n; $i++) {
            $apart = min($apart, $keys[$i] - $keys[$i - 1]);
        }
        $reach = $within * ($this->x[count($this->x) - 1] - $this->x[0]);

        return $apart > $reach ? 0 : $this->below($m + $within) - $this->below($m - $within);
    }

    /** The slope of a rank, 1 for the smallest; infinite ones come last. */
    public function ranked(int $rank): float
    {
        if ($rank > $this->finite) {
            return INF;
        }
        $this->closeIn($rank);
        for ($step = 0; ; $step++) {
            [$low, $under, $high, $upTo] = $this->bracket($rank);
            $few = $upTo - $under <= 2 * $this->points;
            if ($few && is_finite($low) && is_finite($high)) {
                return $this->listed($low, $high, $rank - $under);
            }
            $middle = $step % 4 < 3
                ? $this->guess($low, $under, $high, $upTo, $rank + ($step % 2 === 0 ? -1 : 1) * intdiv($this->points, 2))
                : $this->middle($low, $high);
            if (
                $middle <= $low ||
                $middle >= $high ||
                $high - $low <= self::RESOLUTION * max($this->unit, abs($middle))
            ) {
                return $this->nearest($middle, $low, $high);
            }
            $this->remember($middle, $this->below($middle));
        }
    }

    /** @return array{float, int, float, int} the tightest known ends around a rank, with their counts */
    private function bracket(int $rank): array
    {
        $i = 1;
        while ($this->known[$i][1] < $rank) {
            $i++;
        }

        return [...$this->known[$i - 1], ...$this->known[$i]];
    }

    private function remember(float $m, int $count): void
    {
        $i = count($this->known);
        while ($i > 0 && $this->known[$i - 1][0] > $m) {
            $i--;
        }
        array_splice($this->known, $i, 0, [[$m, $count]]);
    }

    /**
     * Where a count is expected between two known ones, were slopes spread evenly there: a little below the rank and a little
     * above it by turns, so that both ends close in. Every fourth step halves, whatever the slopes are like.
     */
    private function guess(float $low, int $under, float $high, int $upTo, int $rank): float
    {
        $at = $low + (($rank - $under) / max(1, $upTo - $under)) * ($high - $low);

        return is_finite($low) && is_finite($high) && $at > $low && $at < $high ? $at : $this->middle($low, $high);
    }

    /**
     * How far a value that is not the middle one usually lies from it. The whole range would not do: one value of 1e12 among
     * those of a few units would make all other slopes alike.
     *
     * @param list<float> $values
     */
    private static function usual(array $values): float
    {
        if ($values === []) {
            return 0.0;
        }
        $middle = Spread::median($values);
        $apart = array_values(array_filter(array_map(static fn (float $one): float => abs($one - $middle), $values)));

        return $apart === [] ? 0.0 : Spread::median($apart);
    }

    /** Halves what lies between: by its size among steep slopes, else by the angle, so that open ends are reached in few steps. */
    private function middle(float $low, float $high): float
    {
        [$near, $far] = [min(abs($low), abs($high)), max(abs($low), abs($high))];
        if (is_finite($far) && ($high - $low < $this->unit || ($low > 0 === $high > 0 && $far < 4 * $near))) {
            return $low + ($high - $low) / 2;
        }
        if (is_finite($far) && $low > 0 === $high > 0 && $near > $this->unit) {
            return ($low > 0 ? 1 : -1) * sqrt($near) * sqrt($far);
        }

        return $this->unit * tan((atan($low / $this->unit) + atan($high / $this->unit)) / 2);
    }

    /** The slope of a rank among those from low up to high. */
    private function listed(float $low, float $high, int $rank): float
    {
        if ($this->list === null || $this->list[0] !== $low || $this->list[1] !== $high) {
            $this->list = [$low, $high, ...$this->between($low, $high)];
        }
        [, , $slopes, $weights] = $this->list;
        if ($weights === []) {
            return $slopes[min($rank, count($slopes)) - 1] ?? ($low + $high) / 2;
        }
        $passed = 0;
        foreach ($slopes as $k => $slope) {
            $passed += $weights[$k];
            if ($passed >= $rank) {
                return $slope;
            }
        }

        return $slopes === [] ? ($low + $high) / 2 : $slopes[count($slopes) - 1];
    }

    /**
     * Lists the slopes from low up to high, ascending: those of points that change order between the two.
     *
     * @return array{list<float>, list<int>} with how often each counts, where points coincide
     */
    private function between(float $low, float $high): array
    {
        $isOnce = $this->points === count($this->x);
        [$slopes, $weights] = [[], []];
        $order = $this->orderAt($low);
        $keys = [];
        foreach ($order as $i) {
            $keys[] = $this->y[$i] - $high * $this->x[$i];
        }
        for ($at = 1, $n = count($order); $at < $n; $at++) {
            [$key, $point] = [$keys[$at], $order[$at]];
            for ($to = $at; $to > 0 && $keys[$to - 1] > $key; $to--) {
                $other = $order[$to - 1];
                $run = $this->x[$point] - $this->x[$other];
                if ($run !== 0.0) {
                    $slopes[] = ($this->y[$point] - $this->y[$other]) / $run;
                    $isOnce || $weights[] = $this->times[$point] * $this->times[$other];
                }
                $keys[$to] = $keys[$to - 1];
                $order[$to] = $order[$to - 1];
            }
            [$keys[$to], $order[$to]] = [$key, $point];
        }
        $isOnce ? sort($slopes, SORT_NUMERIC) : array_multisort($slopes, SORT_NUMERIC, $weights);

        return [$slopes, $weights];
    }

    /** An actual slope in a bracket so narrow that all slopes in it are ties: tied points are neighbours there. */
    private function nearest(float $m, float $low, float $high): float
    {
        $slack = self::RESOLUTION * max($this->unit, abs($m));
        $order = $this->orderAt($m);
        for ($k = 1, $n = count($order); $k < $n; $k++) {
            [$a, $b] = [$order[$k - 1], $order[$k]];
            $run = $this->x[$b] - $this->x[$a];
            $slope = $run === 0.0 ? NAN : ($this->y[$b] - $this->y[$a]) / $run;
            if ($slope >= $low - $slack && $slope <= $high + $slack) {
                return $slope;
            }
        }

        return $m;
    }

    /** @return list<int> points in the order of y - m x, ties in the order of x */
    private function orderAt(float $m): array
    {
        $keys = [];
        foreach ($this->x as $i => $x) {
            $keys[$i] = $this->y[$i] - $m * $x;
        }
        asort($keys);

        return array_keys($keys);
    }

    /** Points of one reference have a slope without end between them, or none where they coincide. */
    private function countVertical(): void
    {
        $n = count($this->x);
        for ($from = 0; $from < $n; $from = $to) {
            [$tied, $coinciding] = [0, 0];
            for ($to = $from; $to < $n && $this->x[$to] === $this->x[$from]; $to++) {
                $tied += $this->times[$to];
                $coinciding += intdiv($this->times[$to] * ($this->times[$to] - 1), 2);
            }
            $pairs = intdiv($tied * ($tied - 1), 2);
            $this->finite -= $pairs;
            $this->infinite += $pairs - $coinciding;
        }
    }

    /**
     * Number of pairs that stand in descending order, by a merge sort.
     *
     * @param list<float> $keys
     */
    private function inversions(array $keys): int
    {
        return $this->points === count($this->x) ? self::descending($keys) : $this->descendingSeveral($keys);
    }

    /** @param list<float> $keys */
    private static function descending(array $keys): int
    {
        $n = count($keys);
        $count = 0;
        for ($width = 1; $width < $n; $width *= 2) {
            $merged = [];
            for ($start = 0; $start < $n; $start += 2 * $width) {
                $left = $start;
                $middle = min($start + $width, $n);
                $right = $middle;
                $end = min($start + 2 * $width, $n);
                while ($left < $middle && $right < $end) {
                    if ($keys[$left] <= $keys[$right]) {
                        $merged[] = $keys[$left++];
                    } else {
                        $count += $middle - $left;
                        $merged[] = $keys[$right++];
                    }
                }
                while ($left < $middle) {
                    $merged[] = $keys[$left++];
                }
                while ($right < $end) {
                    $merged[] = $keys[$right++];
                }
            }
            $keys = $merged;
        }

        return $count;
    }

    /**
     * The same where points coincide: they count as often.
     *
     * @param list<float> $keys
     */
    private function descendingSeveral(array $keys): int
    {
        $n = count($keys);
        $count = 0;
        $times = $this->times;
        for ($width = 1; $width < $n; $width *= 2) {
            $merged = $weights = [];
            for ($start = 0; $start < $n; $start += 2 * $width) {
                $left = $start;
                $middle = min($start + $width, $n);
                $right = $middle;
                $end = min($start + 2 * $width, $n);
                $rest = 0;
                for ($i = $left; $i < $middle; $i++) {
                    $rest += $times[$i];
                }
                while ($left < $middle && $right < $end) {
                    if ($keys[$left] <= $keys[$right]) {
                        $rest -= $times[$left];
                        $merged[] = $keys[$left];
                        $weights[] = $times[$left++];
                    } else {
                        $count += $rest * $times[$right];
                        $merged[] = $keys[$right];
                        $weights[] = $times[$right++];
                    }
                }
                for (; $left < $middle; $left++) {
                    $merged[] = $keys[$left];
                    $weights[] = $times[$left];
                }
                for (; $right < $end; $right++) {
                    $merged[] = $keys[$right];
                    $weights[] = $times[$right];
                }
            }
            [$keys, $times] = [$merged, $weights];
        }

        return $count;
    }
}
