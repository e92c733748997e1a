<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\Concordance;
use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Agreement\Differences;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\PassingBablok;
use HonestCore\Agreement\Repeatability;
use HonestCore\Statistics\BinomialBound;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * How often each interval holds what it should, over simulated seasons whose truth is known. Nominal 95 % must lie
 * within 94 to 96 %; where the method is known to be conservative or small-sample figures differ, that is said and
 * held to.
 */
#[Group('simulation')]
final class CoverageTest extends TestCase
{
    private const SEASONS = 2400;

    private Randomizer $random;

    protected function setUp(): void
    {
        $this->random = new Randomizer(new Mt19937(2026));
    }

    public function test_the_mean_difference_and_both_limits_of_agreement(): void
    {
        foreach ([8, 25] as $n) {
            $held = ['mean' => 0, 'lower' => 0, 'upper' => 0];
            for ($season = 0; $season < self::SEASONS; $season++) {
                [$x, $y] = [[], []];
                for ($i = 0; $i < $n; $i++) {
                    $x[] = 6.2 + 0.6 * $this->normal();
                    $y[] = $x[$i] + 0.1 + 0.2 * $this->normal();
                }
                $found = Differences::between($x, $y, 0.95);
                $held['mean'] += self::holds($found->meanInterval, 0.1);
                $held['lower'] += self::holds($found->lowerInterval, 0.1 - 1.96 * 0.2);
                $held['upper'] += self::holds($found->upperInterval, 0.1 + 1.96 * 0.2);
            }
            foreach ($held as $what => $times) {
                self::assertNominal($times, "{$what} at {$n} pairs");
            }
        }
    }

    public function test_the_spread_of_repeats(): void
    {
        $policy = DefaultPolicy::for('ph');
        $held = 0;
        for ($season = 0; $season < self::SEASONS; $season++) {
            $samples = [];
            for ($i = 0; $i < 8; $i++) {
                $samples[] = PairedSample::numeric("s{$i}", 6.0, [
                    6.0 + 0.1 * $this->normal(),
                    6.0 + 0.1 * $this->normal(),
                ]);
            }
            $held += self::holds(Repeatability::of($samples, $policy)->interval, 0.1);
        }
        self::assertNominal($held, 'the repeatability');
    }

    /**
     * Both errors alike and the slope 1: the case that the method was made for. Ranks are whole numbers, so that few
     * pairs hold it a little more often.
     */
    public function test_the_slope_of_passing_and_bablok(): void
    {
        foreach ([20 => [0.94, 0.975], 50 => [0.94, 0.965]] as $n => [$least, $most]) {
            $held = 0;
            for ($season = 0; $season < 1500; $season++) {
                [$x, $y] = [[], []];
                for ($i = 0; $i < $n; $i++) {
                    $truth = 5.0 + 3.0 * $this->uniform();
                    $x[] = $truth + 0.12 * $this->normal();
                    $y[] = 0.2 + $truth + 0.12 * $this->normal();
                }
                $held += self::holds(PassingBablok::fit($x, $y, 0.95)->slopeInterval, 1.0);
            }
            self::assertGreaterThanOrEqual($least, $held / 1500, "{$n} pairs");
            self::assertLessThanOrEqual($most, $held / 1500, "{$n} pairs");
        }
    }

    /** Fisher's z is an approximation: at 60 pairs it holds what it should within a percent, at 15 a little less. */
    public function test_the_concordance(): void
    {
        foreach ([15 => [0.92, 0.965], 60 => [0.94, 0.96]] as $n => [$least, $most]) {
            [$between, $error] = [0.6, 0.25];
            $truth = (2 * $between ** 2) / (2 * ($between ** 2 + $error ** 2));
            $held = 0;
            for ($season = 0; $season < self::SEASONS; $season++) {
                [$x, $y] = [[], []];
                for ($i = 0; $i < $n; $i++) {
                    $soil = $between * $this->normal();
                    $x[] = $soil + $error * $this->normal();
                    $y[] = $soil + $error * $this->normal();
                }
                $held += self::holds(Concordance::of($x, $y, 0.95)->interval, $truth);
            }
            self::assertGreaterThanOrEqual($least, $held / self::SEASONS, "{$n} pairs");
            self::assertLessThanOrEqual($most, $held / self::SEASONS, "{$n} pairs");
        }
    }

    /**
     * Exact bounds are conservative: each holds at least as often as it says, whatever the share; computed, not
     * simulated.
     */
    public function test_the_exact_bounds_of_a_share_never_hold_too_seldom(): void
    {
        $n = 18;
        for ($share = 0.05; $share < 1; $share += 0.05) {
            [$below, $above, $log] = [
                0.0,
                0.0,
                static fn (int $k): float => array_sum(array_map(log(...), range(1, max(1, $k)))),
            ];
            for ($hits = 0; $hits <= $n; $hits++) {
                $mass = exp(
                    $log($n) -
                        ($hits > 0 ? $log($hits) : 0.0) -
                        ($n - $hits > 0 ? $log($n - $hits) : 0.0) +
                        $hits * log($share) +
                        ($n - $hits) * log(1 - $share),
                );
                $below += BinomialBound::lower($hits, $n, 0.95) <= $share ? $mass : 0.0;
                $above += BinomialBound::upper($hits, $n, 0.95) >= $share ? $mass : 0.0;
            }
            self::assertGreaterThanOrEqual(0.95 - 1e-9, min($below, $above), "a share of {$share}");
        }
    }

    private static function assertNominal(int $held, string $what): void
    {
        self::assertEqualsWithDelta(0.95, $held / self::SEASONS, 0.01, $what);
    }

    /** @param array{float, float}|null $interval */
    private static function holds(?array $interval, float $truth): int
    {
        return $interval !== null && $interval[0] <= $truth && $truth <= $interval[1] ? 1 : 0;
    }

    private function uniform(): float
    {
        return ($this->random->getInt(0, 2 ** 31 - 1) + 0.5) / 2 ** 31;
    }

    private function normal(): float
    {
        return sqrt(-2 * log($this->uniform())) * cos(2 * M_PI * $this->uniform());
    }
}
