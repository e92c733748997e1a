<?php

declare(strict_types=1);

/*
 * How many pairs a claim needs until it stands half of the time, and four times of five: the table of docs/methods.md.
 * Run: php core/tests/Reference/power.php sort|rate
 */
require __DIR__.'/../../vendor/autoload.php';

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Clusters;
use HonestCore\Agreement\Differences;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\RateClaim;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\SortClaim;
use HonestCore\Agreement\Verdict;
use HonestCore\Tests\Dice;

$policy = static fn (Looking $looking): Policy => Policy::of(
    'ph',
    ActionLimits::of([6.0, 7.3]),
    0.3,
    0.5,
    0.8,
    0.95,
    Scale::Absolute,
)->lookedAt($looking);

/** @param callable(int): float $power by pairs */
$fewest = static function (callable $power, float $wanted, int $most): string {
    [$low, $high] = [4, 8];
    while ($high <= $most && $power($high) < $wanted) {
        [$low, $high] = [$high, (int) ceil(1.5 * $high)];
    }
    while ($high - $low > max(1, (int) (0.03 * $high))) {
        $middle = intdiv($low + $high, 2);
        $power($middle) >= $wanted ? ($high = $middle) : ($low = $middle);
    }

    return $high > $most ? "over {$most}" : (string) $high;
};

if (($argv[1] ?? '') === 'sort') {
    foreach ([0.88, 0.90, 0.92, 0.94, 0.96, 0.98] as $share) {
        foreach ([Looking::Once, Looking::Often] as $looking) {
            [$known, $of] = [[], $policy($looking)];
            $keep = static function (string $key, callable $work) use (&$known): bool {
                return $known[$key] ??= $work();
            };
            $stands = static function (array $counts) use ($keep, $of): bool {
                foreach ($counts as [$n, $agree]) {
                    if (! $keep("in {$n}/{$agree}", static fn (): bool => SortClaim::passes($n, $agree, $of))) {
                        return false;
                    }
                }
                [$n, $agree] = [array_sum(array_column($counts, 0)), array_sum(array_column($counts, 1))];

                return $keep("of {$n}/{$agree}", static fn (): bool => SortClaim::reaches($agree, $n, $of));
            };
            $power = static function (int $n) use ($share, $looking, $stands): float {
                [$dice, $stood, $sets] = [new Dice(5), 0, 1000];
                for ($set = 0; $set < $sets; $set++) {
                    $counts = [[0, 0], [0, 0], [0, 0]];
                    for ($i = 1; $i <= $n; $i++) {
                        $counts[$i % 3] = [$counts[$i % 3][0] + 1, $counts[$i % 3][1] + ($dice->chance($share) ? 1 : 0)];
                        if ($i >= 5 && ($looking === Looking::Often || $i === $n) && $stands($counts)) {
                            $stood++;
                            // The dice of the sets after this one stay as they are, whatever n.
                            for ($rest = $i; $rest < $n; $rest++) {
                                $dice->share();
                            }

                            break;
                        }
                    }
                }

                return (float) ($stood / $sets);
            };
            echo "{$share} {$looking->value}: {$fewest($power, 0.5, 1500)} / {$fewest($power, 0.8, 1500)}\n";
        }
    }
} else {
    foreach ([0.06, 0.08, 0.10, 0.12] as $sd) {
        foreach ([Looking::Once, Looking::Often] as $looking) {
            $of = $policy($looking);
            $power = static function (int $n) use ($sd, $of): float {
                [$dice, $stood, $sets] = [new Dice(6), 0, 100];
                for ($set = 0; $set < $sets; $set++) {
                    [$x, $y] = [[], []];
                    for ($i = 0; $i < $n; $i++) {
                        $x[] = 5 + 3 * $dice->share();
                        $y[] = $x[$i] + $dice->normal($sd);
                    }
                    $differences = Differences::between($x, $y, $of->intervalsAt($n), Clusters::none());
                    $stood += RateClaim::judge($differences, $n, 1, null, $of, Clusters::none())->verdict === Verdict::Stands ? 1 : 0;
                }

                return $stood / $sets;
            };
            echo "{$sd} {$looking->value}: {$fewest($power, 0.5, 400)} / {$fewest($power, 0.8, 400)}\n";
        }
    }
}
