<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\ErrorOfTest;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

#[CoversClass(ErrorOfTest::class)]
final class ErrorOfTestTest extends TestCase
{
    private const SETS = 2_000;

    public function test_it_is_the_prediction_interval_of_a_normal_sample(): void
    {
        $it = ErrorOfTest::of([[5.0, 5.3], [5.5, 5.6], [6.0, 6.4], [6.5, 6.6], [7.0, 7.1]]);

        self::assertNotNull($it);
        // R 4.2: d <- c(.3,.1,.4,.1,.1); predict(lm(d ~ 1), data.frame(1)[1,,drop=F], interval = "prediction")
        self::assertEqualsWithDelta(0.2, $it->bias, 1e-12);
        self::assertEqualsWithDelta([5.8 - 0.430125026, 5.8 + 0.430125026], $it->byReference(6.0), 1e-8);
        self::assertTrue($it->call(6.0, ActionLimits::of([6.0]))->isTooClose(), 'a kit that reads 6.0 at a limit of 6.0');
        self::assertSame(1, $it->call(6.8, ActionLimits::of([6.0]))->class());
    }

    public function test_pairs_of_few_sittings_reach_further_and_of_two_say_nothing(): void
    {
        $pairs = [[5.0, 5.3], [5.5, 5.6], [6.0, 6.4], [6.5, 6.6], [7.0, 7.1], [7.2, null]];
        $alone = ErrorOfTest::of($pairs);
        $shared = ErrorOfTest::of($pairs, ['a', 'a', 'b', 'b', 'c', 'c']);

        self::assertGreaterThan($alone->reach ?? INF, $shared->reach ?? 0.0);
        self::assertNull(ErrorOfTest::of($pairs, ['a', 'a', 'b', 'b', 'b', 'b']));
        self::assertNull(ErrorOfTest::of([[5.0, 5.1], [6.0, 6.1]]));
    }

    /**
     * Of results that are not too close to call at most 5 % send to the wrong action: a bias of 0.2, evenings that lie
     * 0.2 apart, and soils as they come and near the limit alone.
     */
    public function test_what_is_not_too_close_sends_to_the_wrong_action_in_one_of_twenty_at_most(): void
    {
        $random = new Randomizer(new Mt19937(20261128));
        $between = static fn (float $low, float $high): float => $low + ($high - $low) * $random->getInt(1, 2 ** 31) / 2 ** 31;
        $normal = static fn (float $sd): float => $sd * sqrt(-2 * log($between(0.0, 1.0))) * cos(2 * M_PI * $between(0.0, 1.0));
        $limits = ActionLimits::of([6.0]);
        foreach ([[5.0, 7.5, false], [5.6, 6.4, false], [5.0, 7.5, true]] as [$low, $high, $isKit]) {
            $band = static fn (float $value): float => $isKit ? round($value * 2) / 2 : $value;
            [$called, $wrong] = [0, 0];
            for ($set = 0; $set < self::SETS; $set++) {
                [$pairs, $sittings] = [[], []];
                for ($evening = 0; $evening < 6; $evening++) {
                    $shift = 0.2 + $normal(0.2);
                    for ($i = 0; $i < 4; $i++) {
                        $soil = $between(5.0, 7.5);
                        $pairs[] = [$soil, $band($soil + $shift + $normal(0.1))];
                        $sittings[] = "evening {$evening}";
                    }
                }
                $it = ErrorOfTest::of($pairs, $sittings);
                $soil = $between($low, $high);
                $class = $it?->call($band($soil + 0.2 + $normal(0.2) + $normal(0.1)), $limits)->class();
                $called += $class === null ? 0 : 1;
                $wrong += $class !== null && $class !== $limits->classOf($soil) ? 1 : 0;
            }
            self::assertGreaterThan($low === 5.6 ? 20 : 200, $called);
            self::assertLessThanOrEqual(0.05 * $called, $wrong, "{$wrong} of {$called}, soils {$low} to {$high}");
        }
    }
}
