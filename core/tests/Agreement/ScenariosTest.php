<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Verdict;
use PHPUnit\Framework\TestCase;

/** Facts of the trade (common practice) that practitioners tell of cheap tests, reproduced. */
final class ScenariosTest extends TestCase
{
    /** A capsule kit reads 5.5 where the lab finds 6.1; a crop that wants 4.0 to 5.5 would have been planted on it. */
    public function test_the_kit_that_would_have_planted_the_wrong_crop(): void
    {
        $limits = ActionLimits::of([4.0, 5.6]);
        $scale = Bands::of(
            array_map(
                static fn (float $middle): Band => new Band(number_format($middle, 1), $middle - 0.25, $middle + 0.25),
                [3.5, 4.0, 4.5, 5.0, 5.5, 6.0, 6.5, 7.0, 7.5],
            ),
        );
        $pair = PairedSample::ordinal('berries', 6.1, [$scale->named('5.5') ?? self::fail('no band')])->withLimits(
            $limits,
        );

        self::assertSame(
            [1, 2],
            [$pair->testClass($limits, $scale), $limits->classOf(6.1)],
            'the kit says it suits the crop, the lab says too high',
        );
        self::assertTrue(
            Call::ofInterval(5.25, 5.75 - 1e-9, $limits)->isTooClose(),
            'the card itself is too close to call, which is said',
        );
        $samples = [
            $pair,
            ...array_map(
                static fn (int $i): PairedSample => PairedSample::ordinal("s{$i}", 5.0, [
                    $scale->named('5.0') ?? self::fail('no band'),
                ])->withLimits($limits),
                range(1, 9),
            ),
        ];
        $found = Assessment::of($samples, 0, DefaultPolicy::for('ph', thresholds: [4.0, 5.6]), $scale);
        self::assertSame(
            [9, 10, Verdict::Open],
            [$found->sort->tally->agree, $found->sort->tally->pairs, $found->sort->verdict],
        );
        self::assertStringContainsString('An action limit cuts the band 5.5', implode(' ', $found->sort->reasons));
        self::assertSame(Verdict::Unable, $found->rate->verdict);
    }

    /**
     * A kit says potassium is depleted where the lab says normal: potash would have been wasted. That it is high, both
     * say.
     */
    public function test_potassium_depleted_against_normal(): void
    {
        $scale = Bands::parse('depleted:0:80,adequate:80:170,surplus:170:');
        $of = static fn (string $band, float $lab): PairedSample => PairedSample::ordinal("{$band} {$lab}", $lab, [
            $scale->named($band) ?? self::fail('no band'),
        ]);
        $found = Assessment::of(
            [
                $of('depleted', 150),
                $of('depleted', 140),
                $of('depleted', 155),
                $of('surplus', 250),
                $of('surplus', 300),
                $of('surplus', 220),
                $of('depleted', 60),
                $of('depleted', 70),
            ],
            0,
            DefaultPolicy::for('k'),
            $scale,
        );

        self::assertSame([[2, 0, 0], [3, 0, 0], [0, 0, 3]], $found->kappa?->matrix);
        self::assertSame(Verdict::Falls, $found->sort->verdict, 'it always misses one action');
        self::assertStringContainsString('Class 120 to 170: only 0 of 3 agree', implode(' ', $found->sort->reasons));
    }

    /** A fizz pair says acid, rightly, and cannot tell 5.4 from 6.4. */
    public function test_the_fizz_knows_a_direction_alone(): void
    {
        $scale = Bands::parse('acid::6.5,neither:6.5:7,carbonate:7:');
        $samples = array_map(
            static fn (float $ph): PairedSample => PairedSample::ordinal("s{$ph}", $ph, [
                $scale->named($ph < 6.5 ? 'acid' : ($ph < 7 ? 'neither' : 'carbonate')) ?? self::fail('no band'),
            ]),
            [5.4, 6.4, 5.0, 6.2, 6.8, 7.6, 7.9],
        );
        $found = Assessment::of($samples, 0, DefaultPolicy::for('ph'), $scale);

        self::assertSame([Verdict::Unable, Verdict::Unable], [$found->sort->verdict, $found->rate->verdict]);
        self::assertStringContainsString(
            'cuts the open band acid, which cannot sort',
            implode(' ', $found->sort->reasons),
        );
        self::assertNull($found->kappa);
        self::assertSame(
            [0, 1, 0, 0],
            array_map(static fn (float $ph): int => ActionLimits::of([6.0, 7.3])->classOf($ph), [5.4, 6.4, 5.0, 5.9]),
            'and 5.4 and 6.4 ask for different things',
        );
    }

    /**
     * One composite of ground that is 5.9 here and 8.2 there reads about 7: nothing to do, where half wants lime and
     * half is too high.
     */
    public function test_the_average_of_seven_that_hides_two_grounds(): void
    {
        $limits = ActionLimits::of([6.0, 7.3]);
        $average = (5.9 + 8.2) / 2;

        self::assertSame([0, 2, 1], [$limits->classOf(5.9), $limits->classOf(8.2), $limits->classOfComputed($average)]);
        self::assertFalse(Call::ofValue($average, 0.12, $limits)->isTooClose(), 'no uncertainty of the lab betrays it');
        self::assertTrue(Call::ofInterval(5.9, 8.2, $limits)->isTooClose(), 'the spread of the ground does');
    }

    /** Fourteen clean pairs prove 80 %, thirteen do not; twenty-nine prove 90 %. */
    public function test_no_misses_prove_what_the_rule_of_three_says(): void
    {
        $of = static fn (int $n): array => array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", [5.0, 6.5, 8.0][$i % 3], [
                [5.1, 6.4, 8.1][$i % 3],
            ]),
            range(1, $n),
        );
        $verdict = static fn (int $n, float $required): Verdict => Assessment::of(
            $of($n),
            0,
            DefaultPolicy::for('ph', required: $required),
            null,
        )->sort->verdict;

        self::assertSame([Verdict::Open, Verdict::Stands], [$verdict(13, 0.8), $verdict(14, 0.8)]);
        self::assertSame([Verdict::Open, Verdict::Stands], [$verdict(28, 0.9), $verdict(29, 0.9)]);
    }
}
