<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\ErrorOfTest;
use HonestCore\Agreement\KeptPair;
use HonestCore\Agreement\Scale;
use HonestCore\Tests\Dice;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

#[CoversClass(ErrorOfTest::class)]
#[Group('simulation')]
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

    public function test_a_kit_is_judged_by_the_likelihood_of_its_bands_and_open_ones_have_a_call_too(): void
    {
        $pairs = [[5.4, 5.25, 5.75], [5.9, 5.75, 6.25], [6.7, 6.25, 6.75], [6.8, 6.75, 7.25], [7.5, 7.25, INF], [4.9, -INF, 5.25]];
        $it = ErrorOfTest::ofBands($pairs) ?? self::fail('Nothing is known of it.');
        $limits = ActionLimits::of([6.0]);

        self::assertSame(6, $it->n);
        self::assertTrue($it->callBand(new Band('6.0', 5.75, 6.25), $limits)->isTooClose());
        self::assertSame(0, $it->callBand(new Band('low', -INF, 5.25), $limits)->class());
        self::assertSame(1, $it->callBand(new Band('high', 7.25, INF), $limits)->class());
        self::assertNull(ErrorOfTest::ofBands($pairs, ['a', 'a', 'b', 'b', 'b', 'b']), 'two sittings say nothing');
        $closed = $it->byReferenceOfBand(new Band('6.5', 6.25, 6.75));
        self::assertGreaterThan(0.475, $closed[1] - $closed[0], 'no narrower than nearly all of the band');
    }

    /** In logarithms: a test that reads a fifth too high, within a factor. */
    public function test_on_the_ratio_scale_it_speaks_in_factors(): void
    {
        $ratio = Scale::Ratio;
        $pairs = [[50.0, 61.0], [80.0, 95.0], [110.0, 134.0], [160.0, 190.0], [220.0, 266.0], [0.0, 3.0]];
        $it = KeptPair::error(array_map(static fn (array $one): KeptPair => self::kept($one[0], [$one[1]]), $pairs), $ratio)
            ?? self::fail('Nothing is known of it.');
        [$from, $to] = $it->foundFor(120.0, $ratio);
        $logs = array_map(static fn (array $one): float => log($one[1] / $one[0]), array_slice($pairs, 0, 5));
        [$mean, $sum] = [array_sum($logs) / 5, 0.0];
        foreach ($logs as $log) {
            $sum += ($log - $mean) ** 2;
        }
        // t(0.975, 4) = 2.776445 of any table
        $reach = 2.776445105 * sqrt($sum / 4) * sqrt(1.2);

        self::assertSame(5, $it->n, 'a reference of nothing has no ratio');
        self::assertEqualsWithDelta([120 * exp(-$mean - $reach), 120 * exp(-$mean + $reach)], [$from, $to], 1e-6);
        self::assertTrue(Call::ofInterval($from, $to, ActionLimits::of([100.0]))->isTooClose());

        $cards = [];
        foreach ([[20.0, 0.0, 50.0], [70.0, 50.0, 100.0], [120.0, 100.0, 200.0], [150.0, 100.0, 200.0], [260.0, 200.0, INF]] as $one) {
            $cards[] = self::kept($one[0], [], [new Band('card', $one[1], $one[2])]);
        }
        $card = KeptPair::error($cards, $ratio) ?? self::fail('Nothing is known of the cards.');
        [$low, $high] = $card->foundForBand(new Band('lowest', 0.0, 50.0), $ratio);
        self::assertSame(0.0, $low);
        self::assertGreaterThan(20.0, $high);
        self::assertLessThan(100.0, $high);
    }

    /** @return iterable<string, array{string, float, float, float, int}> what reads, soils from and to, what is off, least called */
    public static function worlds(): iterable
    {
        yield 'a pen, soils as they come' => ['pen', 5.0, 7.5, 0.2, 200];
        yield 'a pen, near the limit' => ['pen', 5.6, 6.4, 0.2, 20];
        yield 'a kit, soils as they come' => ['kit', 5.0, 7.5, 0.2, 200];
        yield 'a kit, near the limit' => ['kit', 5.6, 6.4, 0.2, 1];
        yield 'a lab beside a lab' => ['pen', 5.0, 7.5, 0.0, 200];
    }

    /**
     * Of results that are not too close to call at most 5 % send to the wrong action: a bias of 0.2, evenings that lie
     * 0.2 apart, soils as they come and near the limit alone.
     */
    #[DataProvider('worlds')]
    public function test_what_is_not_too_close_sends_to_the_wrong_action_in_one_of_twenty_at_most(
        string $what,
        float $low,
        float $high,
        float $off,
        int $least,
    ): void {
        $dice = new Dice(20261128);
        $between = static fn (float $from, float $to): float => $from + ($to - $from) * $dice->share();
        $limits = ActionLimits::of([6.0]);
        $band = static fn (float $value): Band => new Band('', round($value * 2) / 2 - 0.25, round($value * 2) / 2 + 0.25);
        [$called, $wrong] = [0, 0];
        for ($set = 0; $set < self::SETS; $set++) {
            [$pairs, $bands, $sittings] = [[], [], []];
            for ($evening = 0; $evening < 6; $evening++) {
                $shift = $off + $dice->normal($off);
                for ($i = 0; $i < 4; $i++) {
                    $soil = $between(5.0, 7.5);
                    $read = $soil + $shift + $dice->normal(0.1);
                    $pairs[] = [$soil, $read];
                    $bands[] = [$soil, $band($read)->lower, $band($read)->upper];
                    $sittings[] = "evening {$evening}";
                }
            }
            $it = $what === 'kit' ? ErrorOfTest::ofBands($bands, $sittings) : ErrorOfTest::of($pairs, $sittings);
            $soil = $between($low, $high);
            $read = $soil + $off + $dice->normal($off) + $dice->normal(0.1);
            $class = $what === 'kit' ? $it?->callBand($band($read), $limits)->class() : $it?->call($read, $limits)->class();
            $called += $class === null ? 0 : 1;
            $wrong += $class !== null && $class !== $limits->classOf($soil) ? 1 : 0;
        }

        self::assertGreaterThanOrEqual($least, $called);
        self::assertLessThanOrEqual(0.05 * $called, $wrong, "{$wrong} of {$called}");
    }

    /** @return iterable<string, array{float, float}> soils from and to */
    public static function soils(): iterable
    {
        yield 'as they come' => [5.0, 7.5];
        yield 'near the limit' => [5.6, 6.4];
    }

    /** A lab's own result: value and expanded uncertainty, twice the spread of duplicates and of its runs together. */
    #[DataProvider('soils')]
    public function test_a_lab_is_called_by_its_own_uncertainty(float $low, float $high): void
    {
        $dice = new Dice(7);
        $limits = ActionLimits::of([6.0]);
        [$called, $wrong] = [0, 0];
        for ($set = 0; $set < 4 * self::SETS; $set++) {
            $soil = $low + ($high - $low) * $dice->share();
            $read = $soil + $dice->normal(0.2) + $dice->normal(0.1);
            $class = Call::ofValue($read, 2 * sqrt(0.2 ** 2 + 0.1 ** 2), $limits)->class();
            $called += $class === null ? 0 : 1;
            $wrong += $class !== null && $class !== $limits->classOf($soil) ? 1 : 0;
        }

        self::assertGreaterThan(200, $called);
        self::assertLessThanOrEqual(0.05 * $called, $wrong, "{$wrong} of {$called}");
    }

    /**
     * @param list<float> $readings
     * @param list<Band> $bands
     */
    private static function kept(float $reference, array $readings, array $bands = []): KeptPair
    {
        return new KeptPair("s{$reference}", 1, 'beds', [100.0], $reference, $readings, $bands, [], false);
    }
}
