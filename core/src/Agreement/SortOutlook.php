<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * What further pairs are worth: the chance that one, five or ten of them settle the sort claim, either way.
 *
 * Quantity: chances, 0 to 1; null where the claim is settled already, or cannot be by pairs.
 * Rule: a pair of an action class agrees with the chance (agree + 1)/(n + 2) of that class so far; soils at random are of
 *   the classes as they came so far, one more of each. Further pairs count as independent ones, added to the effective
 *   counts. Exact: all outcomes of so many pairs are weighed.
 * Source: Laplace's rule of succession; the bounds of the policy.
 */
final readonly class SortOutlook
{
    private const NEXT = [1, 5, 10];

    /** Of more classes than these, soils at random have too many outcomes to weigh ten pairs. */
    private const CLASSES = 4;

    /** @param array<int, float> $settles by how many further pairs */
    private function __construct(public ?int $class, public array $settles) {}

    /** @return list<self>|null soils at random first, then each class */
    public static function of(SortClaim $claim, Policy $policy): ?array
    {
        $tally = $claim->tally;
        if (
            ! in_array($claim->verdict, [Verdict::Open, Verdict::Untested], true) ||
            ! $tally->anyBandSorts ||
            $claim->morePairs === null
        ) {
            return null;
        }
        $settled = self::judge($tally, $claim->effective > 0 ? $tally->pairs / $claim->effective : 1.0, $policy);
        $classes = count($tally->perClass);
        $shares = array_map(
            static fn (array $one): float => ($one['n'] + 1) / ($tally->pairs + $classes),
            $tally->perClass,
        );
        $found = [new self(null, self::chances($shares, $tally, $settled))];
        for ($class = 0; $class < $classes; $class++) {
            $only = array_map(static fn (int $one): float => $one === $class ? 1.0 : 0.0, range(0, $classes - 1));
            $found[] = new self($class, self::chances($only, $tally, $settled));
        }

        return $found;
    }

    /**
     * @param list<float> $shares of the classes among further soils
     * @param callable(list<array{int, int}>): bool $settled
     * @return array<int, float>
     */
    private static function chances(array $shares, ActionTally $tally, callable $settled): array
    {
        $states = [[1.0, array_map(static fn (): array => [0, 0], $shares)]];
        $chances = [];
        $many = count(array_filter($shares)) > self::CLASSES;
        for ($pair = 1; $pair <= ($many ? self::NEXT[1] : self::NEXT[2]); $pair++) {
            $states = self::after($states, $shares, $tally);
            if (in_array($pair, self::NEXT, true)) {
                $chances[$pair] = (float) array_sum(array_map(
                    static fn (array $state): float => $settled($state[1]) ? $state[0] : 0.0,
                    $states,
                ));
            }
        }

        return $chances;
    }

    /**
     * All that may have come of one pair more.
     *
     * @param list<array{float, list<array{int, int}>}> $states chance, and by class how many more and how many of them agree
     * @param list<float> $shares
     * @return list<array{float, list<array{int, int}>}>
     */
    private static function after(array $states, array $shares, ActionTally $tally): array
    {
        $next = [];
        foreach ($states as [$weight, $more]) {
            foreach ($shares as $class => $share) {
                if ($share <= 0) {
                    continue;
                }
                ['n' => $n, 'agree' => $agree] = $tally->perClass[$class];
                $right = ($agree + $more[$class][1] + 1) / ($n + $more[$class][0] + 2);
                foreach ([[1, $right], [0, 1 - $right]] as [$hit, $chance]) {
                    $to = $more;
                    $to[$class] = [$more[$class][0] + 1, $more[$class][1] + $hit];
                    $key = serialize($to);
                    $next[$key] = [($next[$key][0] ?? 0.0) + $weight * $share * $chance, array_values($to)];
                }
            }
        }

        return array_values($next);
    }

    /**
     * Whether the counts so far with more of each class settle the claim; what was worked out once is kept.
     *
     * @return \Closure(list<array{int, int}>): bool
     */
    private static function judge(ActionTally $tally, float $deff, Policy $policy): \Closure
    {
        [$known, $alpha, $classes] = [[], 1 - $policy->confidence, count($tally->perClass)];
        $keep = static function (string $key, \Closure $work) use (&$known): bool {
            return $known[$key] ??= $work() === true;
        };

        return static function (array $more) use ($tally, $deff, $policy, $alpha, $classes, $keep): bool {
            /** @var list<array{int, int}> $more */
            [$further, $hits] = [array_sum(array_column($more, 0)), array_sum(array_column($more, 1))];
            if ($tally->pairs + $further < SortClaim::FEWEST_PAIRS) {
                return false;
            }
            [$n, $agree, $all] = [$tally->pairs / $deff + $further, $tally->agree / $deff + $hits, "{$further}/{$hits}"];
            $passes = true;
            foreach ($tally->perClass as $class => $one) {
                [$in, $right] = [$one['n'] + $more[$class][0], $one['agree'] + $more[$class][1]];
                $least = 1 - $alpha / (2 * $classes);
                if ($keep("out {$in}/{$right}", static fn (): bool => SortClaim::rulesOut($right, $in, $least, $policy))) {
                    return true;
                }
                $passes = $passes && $keep("in {$in}/{$right}", static fn (): bool => SortClaim::passes($in, $right, $policy));
            }

            return ($passes && $keep("stands {$all}", static fn (): bool => SortClaim::reaches($agree, $n, $policy))) ||
                $keep("falls {$all}", static fn (): bool => SortClaim::rulesOut($agree, $n, 1 - $alpha / 2, $policy));
        };
    }
}
