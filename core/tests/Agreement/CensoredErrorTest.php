<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\Band;
use HonestCore\Agreement\CensoredError;
use HonestCore\Tests\Dice;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

#[Group('simulation')]
final class CensoredErrorTest extends TestCase
{
    /** R, survreg of package survival: core/tests/Reference/censored.R; what did not converge there is left out. */
    public function test_bias_and_spread_are_those_of_survreg(): void
    {
        $seen = 0;
        foreach (ReferenceData::of('censored') as $set) {
            if ($set['sd'] < 0.01) {
                continue;
            }
            $found = CensoredError::of(self::readings($set['readings'])) ?? self::fail('Nothing was found.');
            self::assertEqualsWithDelta([$set['bias'], $set['sd']], [$found->bias, $found->sd], 1e-6);
            self::assertFalse($found->belowTheBands);
            [$bias, $sd] = $found->intervals();
            self::assertTrue($bias[0] < $found->bias && $found->bias < $bias[1]);
            self::assertTrue($sd[0] < $found->sd && $found->sd < $sd[1]);
            $seen++;
        }
        self::assertGreaterThanOrEqual(10, $seen);
    }

    /** Half steps and steps of one, 20 and 200 readings: each interval holds the truth in nineteen of twenty worlds. */
    public function test_its_intervals_hold_the_truth(): void
    {
        $dice = new Dice(14);
        foreach ([[20, 0.5, 0.2, 0.25], [200, 0.5, 0.1, 0.3], [40, 1.0, -0.2, 0.4]] as [$n, $width, $bias, $sd]) {
            [$ofBias, $ofSd, $sets, $lean] = [0, 0, 200, 0.0];
            for ($set = 0; $set < $sets; $set++) {
                $readings = [];
                for ($i = 0; $i < $n; $i++) {
                    $soil = 4.5 + 3.5 * $dice->share();
                    $low = floor(($soil + $bias + $dice->normal($sd)) / $width) * $width;
                    $readings[] = [$soil, $low, $low + $width];
                }
                $found = CensoredError::of($readings) ?? self::fail('Nothing was found.');
                [$b, $s] = $found->intervals();
                $ofBias += $b[0] <= $bias && $bias <= $b[1] ? 1 : 0;
                $ofSd += $s[0] <= $sd && $sd <= $s[1] ? 1 : 0;
                $lean += ($found->bias - $bias) / $sets;
            }
            self::assertGreaterThan(0.91 * $sets, $ofBias);
            self::assertGreaterThan(0.9 * $sets, $ofSd);
            self::assertEqualsWithDelta(0.0, $lean, 0.025, 'middles of bands would lean no less');
        }
    }

    public function test_bands_that_hold_every_reference_leave_a_spread_below_what_they_show(): void
    {
        $found = CensoredError::of([[5.1, 5.0, 5.5], [5.7, 5.5, 6.0], [6.2, 6.0, 6.5], [7.4, 7.0, 7.5]]) ?? self::fail('Nothing.');

        self::assertTrue($found->belowTheBands);
        self::assertEqualsWithDelta(0.01, $found->sd, 1e-12, 'a fiftieth of a band');
        self::assertGreaterThan(0.1, $found->intervals()[1][1], 'it may be more than that');
    }

    /** A band of half a step and next to no error: 95 % of it; a wide error: that of the normal (R, qnorm(0.975) = 1.959964). */
    public function test_where_the_reference_lies_for_one_more_band(): void
    {
        $exact = CensoredError::of([[5.25, 5.0, 5.5], [5.75, 5.5, 6.0], [6.25, 6.0, 6.5]]) ?? self::fail('Nothing.');
        [$from, $to] = $exact->byReference(new Band('6.0', 5.75, 6.25));
        self::assertEqualsWithDelta(0.475, $to - $from, 0.01);
        [$from, $to] = $exact->byReference(new Band('6.0', 5.75, 6.25), 1000.0);
        self::assertEqualsWithDelta(2 * 1.959964 * $exact->sd * 1000, $to - $from, 0.01 * ($to - $from));
        [$from, $to] = $exact->byReference(new Band('high', 7.25, INF));
        self::assertSame(INF, $to);
        self::assertEqualsWithDelta(7.25 - $exact->bias - 1.959964 * $exact->sd, $from, 1e-6);
    }

    public function test_too_few_readings_or_open_bands_alone_say_nothing(): void
    {
        self::assertNull(CensoredError::of([[5.1, 5.0, 5.5], [5.7, 5.5, 6.0]]));
        self::assertNull(CensoredError::of([[5.1, 5.0, INF], [5.7, 5.0, INF], [6.0, 5.0, INF], [4.0, -INF, 5.0]]));
    }

    /**
     * @param list<array{float|int, float|int|null, float|int|null}> $kept
     * @return list<array{float, float, float}>
     */
    private static function readings(array $kept): array
    {
        return array_map(static fn (array $one): array => [(float) $one[0], (float) ($one[1] ?? -INF), (float) ($one[2] ?? INF)], $kept);
    }
}
