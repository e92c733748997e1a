<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\Correction;
use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Scale;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(DefaultPolicy::class)]
final class CorrectionTest extends TestCase
{
    public function test_a_steady_bias_is_taken_out_and_no_sample_vouches_for_itself(): void
    {
        $policy = DefaultPolicy::for('ph');
        $samples = array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 4.8 + 0.2 * $i, [
                0.9 * (4.8 + 0.2 * $i) + 1.0 + 0.03 * sin(5 * $i),
            ]),
            range(0, 15),
        );
        foreach ([Correction::byDeming($samples, $policy), Correction::byPassingBablok($samples, $policy)] as $found) {
            self::assertNotNull($found);
            self::assertEqualsWithDelta(0.9, $found->slope, 0.02);
            self::assertGreaterThan(0.3, $found->before['mean']);
            self::assertEqualsWithDelta(0.0, $found->after['mean'], 0.02);
            self::assertTrue($found->helps);
            self::assertGreaterThanOrEqual($found->before['agree'], $found->after['agree']);
        }
    }

    /** On the ratio scale the lines run through logarithms, and actions are told from the values themselves. */
    public function test_a_ratio_is_corrected_in_logarithms_and_judged_in_its_own_unit(): void
    {
        $policy = DefaultPolicy::for('k', thresholds: [120.0, 170.0]);
        self::assertSame(Scale::Ratio, $policy->scale);
        $samples = array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 80.0 + 10 * $i, [
                (80.0 + 10 * $i) * 1.25 * (1 + 0.01 * sin(7 * $i)),
            ]),
            range(0, 14),
        );
        $found = Correction::byDeming($samples, $policy);
        self::assertNotNull($found);
        $same = static fn (float $factor): int => count(
            array_filter(
                $samples,
                static fn (PairedSample $one): bool => $policy->limits->classOfComputed($one->test() * $factor) ===
                    $policy->limits->classOf($one->reference),
            ),
        );
        self::assertEqualsWithDelta(log(1.25), $found->before['mean'], 0.01);
        self::assertSame($same(1.0), $found->before['agree']);
        self::assertLessThan(15, $found->before['agree']);
        self::assertEqualsWithDelta($same(1 / 1.25), $found->after['agree'], 1);
        self::assertTrue($found->helps);
    }

    /** One sample far off: left out of its own line it is not drawn in by itself. */
    public function test_each_sample_is_judged_by_a_line_fitted_without_it(): void
    {
        $policy = DefaultPolicy::for('ph');
        $samples = array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 5.0 + 0.1 * $i, [5.0 + 0.1 * $i]),
            range(0, 9),
        );
        $samples[] = PairedSample::numeric('far', 8.0, [9.0]);
        $found = Correction::byDeming($samples, $policy);
        self::assertNotNull($found);
        self::assertEqualsWithDelta(1.0 / 11, $found->before['mean'], 1e-9);
        self::assertGreaterThan(0.2, $found->after['sd'], 'by itself its line would pass near it');
        self::assertFalse($found->helps);
    }

    public function test_too_few_a_flat_line_and_no_spread_give_no_correction(): void
    {
        $policy = DefaultPolicy::for('ph');
        $of = static fn (callable $test, int $n): array => array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 5 + 0.2 * $i, [$test($i)]),
            range(0, $n - 1),
        );
        self::assertNull(Correction::byDeming($of(static fn (int $i): float => 5.5 + 0.2 * $i, 7), $policy));
        self::assertNull(Correction::byDeming($of(static fn (int $i): float => 6.0 + 0.01 * $i, 12), $policy));
        self::assertNull(Correction::byPassingBablok($of(static fn (): float => 6.0, 12), $policy));
    }

    public function test_on_the_ratio_scale_a_factor_is_taken_out(): void
    {
        $policy = DefaultPolicy::for('k');
        self::assertSame(Scale::Ratio, $policy->scale);
        $samples = array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 60.0 * 1.15 ** $i, [
                1.5 * 60.0 * 1.15 ** $i * exp(0.03 * sin(7 * $i)),
            ]),
            range(0, 11),
        );
        $found = Correction::byDeming($samples, $policy);
        self::assertEqualsWithDelta(log(1.5), $found?->before['mean'] ?? NAN, 0.02);
        self::assertEqualsWithDelta(0.0, $found?->after['mean'] ?? NAN, 0.02);
    }
}
