<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

/**
 * Makes an open walk shorter, place by place among the near ones.
 *
 * The walk is a round trip through one more place that lies at no distance from any other, so that its end is free; where
 * its start is fixed, the way from there to the start is one that always pays. Every change is a turning round of some
 * stretch, so that it can be taken back by turning it again.
 *
 * Quantity and unit: metres.
 * Source: see WalkingOrder.
 */
final class ShorterTour
{
    private const NEAR = 8;

    /** Squares off that near places are looked for. */
    private const FARTHEST = 40;

    private const LEAST_SIDE = 1e-6;

    private const LONGEST_MOVE = 3;

    /** Stretches that a disturbance exchanges are so long at most. */
    private const STRETCH = 30;

    /** Disturbances: as many as places, fewer where they are few and near the best anyhow, and no more than so many. */
    private const FEW = 50;

    private const MOST = 800;

    private const LEAST_GAIN = 1e-9;

    /** A way that is never given up. */
    private const KEPT = -1e5;

    private readonly int $n;

    /** @var array<int, int> places in the order of the walk; the last place is the one more */
    private array $order;

    /** @var array<int, int> where in the order each place stands */
    private array $at;

    /** @var list<list<int>> near places of each, the nearest first */
    private array $near = [];

    /** @var list<array{int, int, int}> stretches turned since the last disturbance */
    private array $turned = [];

    private int $state = 7;

    /** @param list<array{float, float}> $places in the order of a walk */
    private function __construct(private readonly array $places, private readonly bool $isStartFixed)
    {
        $this->n = count($places) + 1;
        $this->order = $this->at = range(0, $this->n - 1);
        $this->findNear();
    }

    /**
     * @param list<array{float, float}> $walk
     * @return list<array{float, float}> beginning at the same place where the start is fixed
     */
    public static function of(array $walk, bool $isStartFixed): array
    {
        $it = new self($walk, $isStartFixed);
        $it->improve(range(0, $it->n - 1));
        $it->disturb();

        return $it->walk();
    }

    /** @return list<array{float, float}> from the place after the one more, in the direction that a fixed start wants */
    private function walk(): array
    {
        $from = $this->at[$this->n - 1];
        $around = [...array_slice($this->order, $from + 1), ...array_slice($this->order, 0, $from)];
        $first = $around[0];
        // A start that is fixed is at one end; one that is not is at the end that the walk began from before.
        if ($this->isStartFixed ? $first !== 0 : $this->isFartherFromBegin($first, $around[count($around) - 1])) {
            $around = array_reverse($around);
        }

        return array_map(fn (int $place): array => $this->places[$place], $around);
    }

    private function isFartherFromBegin(int $one, int $other): bool
    {
        return $this->way($other, 0) < $this->way($one, 0);
    }

    /** Squares of the ground tell which places are near; in each, those of the squares around are looked at. */
    private function findNear(): void
    {
        $last = $this->n - 1;
        [$xs, $ys] = [array_column($this->places, 0) ?: [0.0], array_column($this->places, 1) ?: [0.0]];
        [$wide, $high] = [max($xs) - min($xs), max($ys) - min($ys)];
        // About three places to a square; where all lie along a line, to a stretch of it.
        $side = max(sqrt(3 * $wide * $high / $last), 3 * max($wide, $high) / $last, self::LEAST_SIDE);
        $squares = [];
        foreach ($this->places as $i => [$x, $y]) {
            $squares[(int) floor($x / $side)][(int) floor($y / $side)][] = $i;
        }
        foreach (array_keys($this->places) as $i) {
            $found = $this->around($i, $squares, $side);
            asort($found);
            $this->near[] = [$last, ...array_slice(array_keys($found), 0, self::NEAR)];
        }
        $this->near[] = [];
    }

    /**
     * Places about another, from squares farther and farther off until there are enough; all of them where squares are empty.
     *
     * @param array<int, array<int, list<int>>> $squares
     * @return array<int, float> how far each lies
     */
    private function around(int $place, array $squares, float $side): array
    {
        $wanted = min(self::NEAR, $this->n - 2);
        [$x, $y] = $this->places[$place];
        [$column, $row] = [(int) floor($x / $side), (int) floor($y / $side)];
        for ($reach = 1; $reach <= self::FARTHEST; $reach++) {
            $found = [];
            for ($a = $column - $reach; $a <= $column + $reach; $a++) {
                for ($b = $row - $reach; $b <= $row + $reach; $b++) {
                    foreach ($squares[$a][$b] ?? [] as $other) {
                        $found[$other] = $this->way($place, $other);
                    }
                }
            }
            unset($found[$place]);
            if (count($found) >= $wanted) {
                return $found;
            }
        }
        $all = array_map(fn (int $other): float => $this->way($place, $other), array_keys($this->places));
        unset($all[$place]);

        return $all;
    }

    private function way(int $a, int $b): float
    {
        $last = $this->n - 1;
        if ($a === $last || $b === $last) {
            return $this->isStartFixed && $a + $b === $last ? self::KEPT : 0.0;
        }
        $dx = $this->places[$a][0] - $this->places[$b][0];
        $dy = $this->places[$a][1] - $this->places[$b][1];

        return sqrt($dx * $dx + $dy * $dy);
    }

    private function next(int $place): int
    {
        return $this->order[$this->at[$place] + 1] ?? $this->order[0];
    }

    private function before(int $place): int
    {
        $at = $this->at[$place];

        return $this->order[$at === 0 ? $this->n - 1 : $at - 1];
    }

    /** @param list<int> $asked places about which the walk may be made shorter */
    private function improve(array $asked): float
    {
        $gained = 0.0;
        $waits = array_fill_keys($asked, true);
        while ($asked !== []) {
            $place = array_pop($asked);
            unset($waits[$place]);
            while (($found = $this->exchange($place) ?? $this->move($place)) !== null) {
                $gained += $found[0];
                foreach ($found[1] as $touched) {
                    if (! isset($waits[$touched])) {
                        $waits[$touched] = true;
                        $asked[] = $touched;
                    }
                }
            }
        }

        return $gained;
    }

    /**
     * Two ways are exchanged for two shorter ones, a stretch turned round between them.
     *
     * @return array{float, list<int>}|null what was gained, and the places that were touched
     */
    private function exchange(int $a): ?array
    {
        foreach ([true, false] as $onward) {
            $b = $onward ? $this->next($a) : $this->before($a);
            $now = $this->way($a, $b);
            foreach ($this->near[$a] as $c) {
                $first = $now - $this->way($a, $c);
                if ($first <= self::LEAST_GAIN) {
                    if ($c === $this->n - 1) {
                        continue;
                    }
                    break;
                }
                $d = $onward ? $this->next($c) : $this->before($c);
                $gain = $first + $this->way($c, $d) - $this->way($b, $d);
                if ($gain > self::LEAST_GAIN) {
                    $onward ? $this->turn($this->at[$b], $this->at[$c]) : $this->turn($this->at[$a], $this->at[$d]);

                    return [$gain, [$a, $b, $c, $d]];
                }
            }
        }

        return null;
    }

    /**
     * Up to three neighbours go elsewhere, either way round.
     *
     * @return array{float, list<int>}|null
     */
    private function move(int $a): ?array
    {
        foreach ([true, false] as $onward) {
            $end = $a;
            for ($length = 1; $length <= self::LONGEST_MOVE && $length < $this->n - 2; $length++) {
                // The stretch runs from a to its end, away from where it is taken up to.
                $end = $length === 1 ? $a : ($onward ? $this->before($end) : $this->next($end));
                [$p, $q] = $onward ? [$this->before($end), $this->next($a)] : [$this->before($a), $this->next($end)];
                $saved = $onward
                    ? $this->way($p, $end) + $this->way($a, $q) - $this->way($p, $q)
                    : $this->way($p, $a) + $this->way($end, $q) - $this->way($p, $q);
                if ($saved <= self::LEAST_GAIN) {
                    continue;
                }
                $from = $onward ? $end : $a;
                $found = $this->gap($a, $end, $from, $length, $saved);
                if ($found !== null) {
                    [$gain, $c, $d] = $found;
                    $this->carry($from, $length, $c, $d, $a);

                    return [$gain, [$a, $end, $p, $q, $c, $d]];
                }
            }
        }

        return null;
    }

    /**
     * Where a stretch lengthens the walk less than is saved by taking it up: two neighbours near its one end.
     *
     * @return array{float, int, int}|null what is gained, the place beside that end, and the one beside the other
     */
    private function gap(int $a, int $end, int $from, int $length, float $saved): ?array
    {
        foreach ($this->near[$a] as $c) {
            $added = $this->way($a, $c);
            if ($added >= $saved && $c !== $this->n - 1) {
                break;
            }
            foreach ($this->isWithin($c, $from, $length) ? [] : [$this->next($c), $this->before($c)] as $d) {
                $gain = $saved - $added - $this->way($end, $d) + $this->way($c, $d);
                if ($gain > self::LEAST_GAIN && ! $this->isWithin($d, $from, $length)) {
                    return [$gain, $c, $d];
                }
            }
        }

        return null;
    }

    /** Does a place lie in the stretch of so many places from another on? */
    private function isWithin(int $place, int $from, int $length): bool
    {
        $by = $this->at[$place] - $this->at[$from];

        return ($by < 0 ? $by + $this->n : $by) < $length;
    }

    /** Carries a stretch between two neighbours, so that one end of it comes to lie beside the first: by turning stretches round. */
    private function carry(int $from, int $length, int $c, int $d, int $besideC): void
    {
        $n = $this->n;
        $start = $this->at[$from];
        $stop = ($start + $length - 1) % $n;
        [$left, $right] = $this->next($c) === $d ? [$c, $d] : [$d, $c];
        // Onward from the stretch to the gap, or from the gap onward to the stretch, whichever is shorter.
        $ahead = ($this->at[$left] - $stop + $n) % $n;
        $behind = ($start - $this->at[$right] + $n) % $n;
        if ($ahead <= $behind) {
            // start..stop, then ahead places: turned together, the others turned back.
            $this->turnJust($start, $this->at[$left], $length + $ahead);
            $this->turnJust($start, ($start + $ahead - 1) % $n, $ahead);
            [$first, $last] = [($start + $ahead) % $n, ($start + $ahead + $length - 1) % $n];
        } else {
            $begin = $this->at[$right];
            $this->turnJust($begin, $stop, $length + $behind);
            $this->turnJust(($begin + $length) % $n, $stop, $behind);
            [$first, $last] = [$begin, ($begin + $length - 1) % $n];
        }
        $wanted = $this->order[$first] === $besideC ? $left === $c : $right === $c;
        if (! $wanted) {
            $this->turnJust($first, $last, $length);
        }
    }

    /** Turns the stretch between two positions round; or the rest where that is shorter, which makes the same round trip. */
    private function turn(int $from, int $to): void
    {
        $n = $this->n;
        $length = $to - $from + ($to < $from ? $n : 0) + 1;
        2 * $length > $n
            ? $this->turnJust($to + 1 === $n ? 0 : $to + 1, $from === 0 ? $n - 1 : $from - 1, $n - $length)
            : $this->turnJust($from, $to, $length);
    }

    /** Turns just this stretch round, going onward. */
    private function turnJust(int $from, int $to, int $length): void
    {
        $this->turned[] = [$from, $to, $length];
        for ($k = intdiv($length, 2); $k > 0; $k--) {
            [$a, $b] = [$this->order[$from], $this->order[$to]];
            $this->order[$from] = $b;
            $this->at[$b] = $from;
            $this->order[$to] = $a;
            $this->at[$a] = $to;
            $from = $from + 1 === $this->n ? 0 : $from + 1;
            $to = $to === 0 ? $this->n - 1 : $to - 1;
        }
    }

    /** Exchanges two neighbouring stretches here and there, and keeps what comes out shorter once it was improved. */
    private function disturb(): void
    {
        if ($this->n < 9) {
            return;
        }
        $longest = min(self::STRETCH, intdiv($this->n, 3));
        for ($k = min($this->n, 2 + intdiv($this->n ** 2, self::FEW), self::MOST); $k > 0; $k--) {
            $this->turned = [];
            $a = $this->drawn($this->n);
            $b = 1 + $this->drawn($longest);
            $c = 1 + $this->drawn($longest);
            [$p, $q, $r] = [$this->order[$a], $this->order[($a + $b) % $this->n], $this->order[($a + $b + $c) % $this->n]];
            [$p1, $q1, $r1] = [$this->next($p), $this->next($q), $this->next($r)];
            $before = $this->way($p, $p1) + $this->way($q, $q1) + $this->way($r, $r1);
            $after = $this->way($p, $q1) + $this->way($r, $p1) + $this->way($q, $r1);
            $this->turnJust($this->at[$p1], $this->at[$r], $b + $c);
            $this->turnJust($this->at[$r], $this->at[$q1], $c);
            $this->turnJust($this->at[$q], $this->at[$p1], $b);
            if ($before - $after + $this->improve([$p, $q, $r, $p1, $q1, $r1]) < -self::LEAST_GAIN) {
                foreach (array_reverse($this->turned) as [$from, $to, $length]) {
                    $this->turnJust($from, $to, $length);
                }
            }
        }
    }

    /** From a fixed sequence, so that the same places give the same walk. */
    private function drawn(int $below): int
    {
        $this->state = ($this->state * 1_103_515_245 + 12_345) % 2_147_483_648;

        return intdiv($this->state, 65_536) % $below;
    }
}
