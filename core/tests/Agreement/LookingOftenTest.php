<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Verdict;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\BinomialBound;
use HonestCore\Statistics\ConfidenceSequence;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Bounds that stay valid however often one looks, and what they cost. */
#[CoversClass(Looking::class)]
final class LookingOftenTest extends TestCase
{
    private const LOOKS = 1000;

    /**
     * The chance that a claim which is false is proven at some look, computed exactly: the distribution of hits is
     * followed from look to look, and what has passed the bound is taken out and counted.
     *
     * @param callable(int, int): bool $proven
     */
    private static function everProven(float $share, callable $proven): float
    {
        [$alive, $gone] = [[0 => 1.0], 0.0];
        for ($n = 1; $n <= self::LOOKS; $n++) {
            $next = [];
            foreach ($alive as $hits => $mass) {
                $next[$hits] = ($next[$hits] ?? 0.0) + $mass * (1 - $share);
                $next[$hits + 1] = ($next[$hits + 1] ?? 0.0) + $mass * $share;
            }
            krsort($next);
            foreach ($next as $hits => $mass) {
                if (! $proven($hits, $n)) {
                    break;
                }
                $gone += $mass;
                unset($next[$hits]);
            }
            $alive = $next;
        }

        return $gone;
    }

    public function test_no_more_than_five_in_a_hundred_false_claims_are_ever_proven_in_a_thousand_looks(): void
    {
        foreach ([0.8, 0.9] as $share) {
            $often = self::everProven(
                $share,
                static fn (int $hits, int $n): bool => ConfidenceSequence::logBet($hits, $n, $share) >= -log(0.05),
            );
            self::assertLessThan(0.05, $often, "at the edge of {$share}");
            self::assertGreaterThan(0.01, $often, 'and the bound is not idle');
        }
        $plain = self::everProven(
            0.8,
            static fn (int $hits, int $n): bool => BinomialBound::lower($hits, $n, 0.95) >= 0.8,
        );
        self::assertGreaterThan(0.15, $plain, 'bounds for one look are too kind to who looks after each pair');
    }

    public function test_the_same_holds_of_verdicts_in_a_simulation_that_looks_after_each_pair(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $policy = DefaultPolicy::for('ph', thresholds: [6.0]);
        $false = ['once' => 0, 'often' => 0];
        for ($run = 0; $run < 80; $run++) {
            $samples = [];
            $proven = [];
            for ($n = 1; $n <= 60; $n++) {
                $low = $n % 2 === 0;
                $right = $random->getInt(1, 10) <= 8;
                $samples[] = PairedSample::numeric("s{$n}", $low ? 5.5 : 6.5, [$low === $right ? 5.6 : 6.4]);
                if ($n < 10) {
                    continue;
                }
                foreach ([Looking::Once, Looking::Often] as $looking) {
                    if (
                        ! isset($proven[$looking->value]) &&
                        \HonestCore\Agreement\SortClaim::judge(
                            \HonestCore\Agreement\ActionTally::of($samples, ActionLimits::of([6.0]), null),
                            $policy->lookedAt($looking),
                        )->verdict === Verdict::Stands
                    ) {
                        $proven[$looking->value] = true;
                        $false[$looking->value]++;
                    }
                }
            }
        }
        self::assertLessThanOrEqual(0.05 * 80 + 3 * sqrt(80 * 0.05 * 0.95), $false['often']);
        self::assertGreaterThan($false['often'], $false['once']);
    }

    /** @return array<string, array{float, int, int}> share, pairs without a miss for one look, and for looking often */
    public static function costs(): array
    {
        return ['80 %: 14 by 1 - 0.05^(1/n)' => [0.8, 14, 20], '90 %: 29 by 1 - 0.05^(1/n)' => [0.9, 29, 43]];
    }

    #[DataProvider('costs')]
    public function test_looking_often_costs_further_pairs(float $share, int $once, int $often): void
    {
        self::assertSame($once, Looking::Once->furtherHits(0, 0, $share, 0.95));
        self::assertSame($often, Looking::Often->furtherHits(0, 0, $share, 0.95));
        // All hits: the bet is the integral of q^n over (share, 1), divided by (1 - share) share^n. It must reach 20.
        $bet = static fn (int $n): float => (1 - $share ** ($n + 1)) / ($n + 1) / (1 - $share) / $share ** $n;
        self::assertGreaterThanOrEqual(20.0, $bet($often));
        self::assertLessThan(20.0, $bet($often - 1));
    }

    public function test_bounds_hold_their_order_and_mirror_each_other(): void
    {
        for ($n = 1; $n <= 60; $n += 7) {
            $last = -1.0;
            for ($hits = 0; $hits <= $n; $hits++) {
                $lower = ConfidenceSequence::lower($hits, $n, 0.95);
                self::assertGreaterThanOrEqual($last, $lower);
                self::assertLessThanOrEqual(
                    BinomialBound::lower($hits, $n, 0.95) + 1e-9,
                    $lower,
                    'never kinder than one look',
                );
                self::assertEqualsWithDelta(1 - $lower, ConfidenceSequence::upper($n - $hits, $n, 0.95), 1e-9);
                $last = $lower;
            }
        }
        $this->expectException(ValueOutOfRange::class);
        ConfidenceSequence::lower(3, 2, 0.95);
    }

    public function test_intervals_of_limits_spend_their_error_over_all_looks(): void
    {
        $spent = 0.0;
        for ($n = 5; $n <= 100_000; $n++) {
            $spent += 1 - Looking::Often->confidenceAt($n, 0.95);
        }
        self::assertLessThanOrEqual(0.05, $spent);
        self::assertGreaterThan(0.0499, $spent);
        $samples = array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 5 + $i / 10, [
                5 + $i / 10 + 0.05 * (-1) ** $i,
            ]),
            range(1, 20),
        );
        $policy = DefaultPolicy::for('ph');
        [$once, $often] = [
            Assessment::of($samples, 0, $policy, null),
            Assessment::of($samples, 0, $policy->lookedAt(Looking::Often), null),
        ];
        self::assertSame($once->differences?->mean, $often->differences?->mean);
        self::assertGreaterThan(
            $once->differences->upperInterval[1] ?? INF,
            $often->differences->upperInterval[1] ?? -INF,
        );
        self::assertContains('The bounds hold however often the evidence is looked at.', $often->reasons);
    }
}
