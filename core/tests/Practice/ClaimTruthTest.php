<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Practice\Chance;
use HonestCore\Practice\ClaimTruth;
use PHPUnit\Framework\TestCase;

/** What a claim is worth, for tests whose errors are known beforehand. */
final class ClaimTruthTest extends TestCase
{
    private static function of(float $bias, float $sd, float $repeat): ClaimTruth
    {
        $chance = Chance::of(5);

        return ClaimTruth::of(
            static fn (int $i): float => 5.0 + 3.0 * ($i % 40) / 40,
            static fn (float $ph): float => $ph + $bias + $chance->normal(0.0, $sd),
            static fn (float $ph): float => $ph,
            $repeat,
            DefaultPolicy::for('ph'),
        );
    }

    public function test_a_test_that_is_the_lab_does_everything(): void
    {
        $same = self::of(0.0, 0.0, 0.0);
        self::assertSame(['sort' => true, 'rate' => true, 'track' => true], $same->holds);
        self::assertSame([0.0, 1.0], [round($same->bias, 12), $same->agreeing]);
    }

    public function test_bias_and_spread_are_those_of_the_differences(): void
    {
        $leans = self::of(0.4, 0.1, 0.1);
        self::assertEqualsWithDelta(0.4, $leans->bias, 0.02);
        self::assertEqualsWithDelta(0.1, $leans->sd, 0.01);
        self::assertFalse($leans->holds['rate']);
        self::assertLessThan(1.0, $leans->agreeing);
    }

    /** Two readings of one soil differ by up to 2.77 times the spread: ISO 5725. */
    public function test_what_repeats_badly_tracks_nothing(): void
    {
        self::assertTrue(self::of(0.0, 0.0, 0.05)->holds['track']);
        self::assertFalse(self::of(0.0, 0.0, 0.6)->holds['track']);
    }

    public function test_what_misses_a_whole_class_sorts_nothing(): void
    {
        self::assertFalse(self::of(1.5, 0.0, 0.0)->holds['sort']);
    }
}
