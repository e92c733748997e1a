<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\Differences;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\RateClaim;
use HonestCore\Agreement\Repeatability;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\TrackClaim;
use HonestCore\Agreement\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where the verdicts of "rate" and "track" turn: exactly at the ends of the intervals they rest on. */
final class RateAndTrackTest extends TestCase
{
    private const HAIR = 1e-9;

    /** @return iterable<string, array{float}> */
    public static function biases(): iterable
    {
        foreach ([-0.4, -0.05, 0.0, 0.07, 0.35] as $bias) {
            yield "bias {$bias}" => [$bias];
        }
    }

    #[DataProvider('biases')]
    public function test_rate_turns_at_the_ends_of_both_limits(float $bias): void
    {
        $differences = self::differences($bias, 0.01);
        $ends = $differences->atEnds->ends ?? self::fail('no ends');
        [$low, $high] = $ends;
        $outer = max(-$low['lower_ci'][0], $low['upper_ci'][1], -$high['lower_ci'][0], $high['upper_ci'][1]);
        $inner = max(-$low['lower_ci'][1], $low['upper_ci'][0], -$high['lower_ci'][1], $high['upper_ci'][0]);
        self::assertLessThan($outer, $inner);
        $verdict = static fn (float $allowed): Verdict => RateClaim::judge(
            $differences,
            20,
            1,
            null,
            self::policy($allowed, 1.0),
        )->verdict;

        self::assertSame(Verdict::Stands, $verdict($outer), 'both outer ends lie within, the farthest one on the edge');
        self::assertSame(Verdict::Open, $verdict($outer - 2 * self::HAIR));
        self::assertSame(Verdict::Open, $verdict($inner), 'no inner end lies beyond');
        self::assertSame(
            Verdict::Open,
            $verdict($inner - 2 * self::HAIR),
            'an inner end lies beyond, but hardly a difference does',
        );
        self::assertSame(Verdict::Falls, $verdict(max(0.015, abs($bias) - 0.02)), 'most of the differences do');
    }

    /** A test that reads high leaves room below: one end within is not both. */
    public function test_one_end_within_is_not_enough(): void
    {
        $end = self::differences(0.35, 0.0)->atEnds->ends[0] ?? self::fail('no ends');
        [$low, $high] = [abs($end['lower_ci'][0]), $end['upper_ci'][1]];
        self::assertLessThan($high, $low);
        self::assertNotSame(
            Verdict::Stands,
            RateClaim::judge(self::differences(0.35, 0.0), 20, 1, null, self::policy(($low + $high) / 2, 1.0))->verdict,
        );
    }

    /** Ten pairs with limits far within what is allowed prove 74 % and not 80 %. */
    public function test_the_share_must_be_proven_too(): void
    {
        [$x, $y] = [
            array_map(static fn (int $i): float => 5.0 + 0.1 * $i, range(0, 9)),
            array_map(static fn (int $i): float => 5.0 + 0.1 * $i + 0.01 * [1, -1, -1, 1][$i % 4], range(0, 9)),
        ];
        $found = RateClaim::judge(Differences::between($x, $y, 0.95), 10, 1, null, self::policy(0.3, 1.0));

        self::assertSame([Verdict::Open, 10], [$found->verdict, $found->within?->n]);
        self::assertStringContainsString('is not proven', implode(' ', $found->reasons));
    }

    public function test_a_shift_that_grows_is_held_at_both_ends_and_means_are_said_to_be_means(): void
    {
        $differences = self::differences(0.0, 0.05);
        self::assertLessThan(0.05, $differences->trend->p);
        $found = RateClaim::judge($differences, 20, 3, null, self::policy(5.0, 1.0));
        self::assertSame(Verdict::Stands, $found->verdict, 'far within at both ends');
        self::assertSame(
            Verdict::Open,
            RateClaim::judge($differences, 20, 3, null, self::policy(0.075, 1.0))->verdict,
            'not at them',
        );
        self::assertStringContainsString('It speaks for readings from 5.161 to 6.719', implode(' ', $found->reasons));
        self::assertStringContainsString('the mean of up to 3 readings', implode(' ', $found->reasons));
        self::assertStringNotContainsString(
            'readings of a sample',
            implode(' ', RateClaim::judge($differences, 20, 1, null, self::policy(5.0, 1.0))->reasons),
            'one reading is no mean',
        );
    }

    public function test_four_pairs_are_too_few_and_five_are_judged(): void
    {
        $differences = self::differences(0.0, 0.0);
        self::assertSame(
            Verdict::Untested,
            RateClaim::judge($differences, 4, 1, null, self::policy(9.0, 1.0))->verdict,
        );
        self::assertSame(Verdict::Stands, RateClaim::judge($differences, 5, 1, null, self::policy(9.0, 1.0))->verdict);
    }

    public function test_bands_are_measured_against_twice_what_is_allowed(): void
    {
        $words = static fn (string $bands, float $allowed, Scale $scale = Scale::Absolute): string => implode(
            ' ',
            RateClaim::judge(null, 9, 1, Bands::parse($bands), self::policy($allowed, 1.0, $scale))->reasons,
        );
        self::assertStringNotContainsString(
            'wide',
            $words('a:5:5.6,b:5.6:6.2', 0.3),
            'just twice is not more than twice',
        );
        self::assertStringContainsString('The band b is 0.7 wide', $words('a:5:5.6,b:5.6:6.3', 0.3));
        self::assertStringContainsString('The band low has an open end', $words('low::5.6,b:5.6:6.3', 0.3));
        self::assertStringContainsString(
            'The band b is a factor of 2 wide',
            $words('a:50:60,b:60:120', 0.2, Scale::Ratio),
        );
        self::assertStringNotContainsString(
            'band z',
            $words('z:0:50,a:50:60', 0.2, Scale::Ratio),
            'a band from 0 has no width as a ratio',
        );
    }

    /** Ends of the interval of a standard deviation on ten degrees: R 4.2, sqrt(sum / qchisq(c(0.975, 0.025), 10)). */
    public function test_track_turns_at_the_ends_of_the_repeatability(): void
    {
        $samples = array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 6.0, [6.0 + 0.1 * $i, 6.1 + 0.1 * $i]),
            range(0, 9),
        );
        $repeatability = Repeatability::of($samples, self::policy(0.3, 1.0));
        [$low, $high] = $repeatability->interval ?? self::fail('no interval');
        self::assertSame(10, $repeatability->degrees);
        self::assertEqualsWithDelta(sqrt(0.05 / 10), $repeatability->sd, 1e-12);
        self::assertEqualsWithDelta([sqrt(0.05 / 20.483177350807), sqrt(0.05 / 3.246972780237)], [$low, $high], 1e-9);

        $verdict = static fn (float $change): Verdict => TrackClaim::judge($repeatability, self::policy(0.3, $change))
            ->verdict;
        [$least, $most] = [1.96 * M_SQRT2 * $low, 1.96 * M_SQRT2 * $high];
        self::assertSame(Verdict::Stands, $verdict($most + self::HAIR));
        self::assertSame(Verdict::Open, $verdict($most - 2 * self::HAIR));
        self::assertSame(
            Verdict::Open,
            $verdict(Repeatability::FACTOR * $low),
            'at the lower end itself it is not more',
        );
        self::assertSame(Verdict::Falls, $verdict($least - 2 * self::HAIR));
    }

    public function test_five_degrees_are_judged_and_four_are_too_few(): void
    {
        $judge = static fn (int $pairs): TrackClaim => TrackClaim::judge(
            Repeatability::of(
                array_map(
                    static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 6.0, [6.0, 6.01]),
                    range(1, $pairs),
                ),
                self::policy(0.3, 1.0),
            ),
            self::policy(0.3, 1.0),
        );
        self::assertSame([Verdict::Untested, Verdict::Stands], [$judge(4)->verdict, $judge(5)->verdict]);
        self::assertStringContainsString('Fewer than 5 degrees of freedom (4)', implode(' ', $judge(4)->reasons));
        self::assertStringNotContainsString('No sample was read twice', implode(' ', $judge(1)->reasons), 'one was');
        self::assertStringContainsString(
            'No sample was read twice',
            implode(
                ' ',
                TrackClaim::judge(
                    Repeatability::of([PairedSample::numeric('s', 6.0, [6.0])], self::policy(0.3, 1.0)),
                    self::policy(0.3, 1.0),
                )->reasons,
            ),
        );
    }

    /** Where one sample has bands, no standard deviation is made of the numbers of the others. */
    public function test_bands_among_numbers_have_no_repeatability(): void
    {
        $band = Bands::parse('a:5:6,b:6:7')->named('b') ?? self::fail('no band');
        $found = Repeatability::of(
            [PairedSample::numeric('n', 6.0, [6.0, 6.2]), PairedSample::ordinal('o', 6.0, [$band, $band])],
            self::policy(0.3, 1.0),
        );
        self::assertSame(
            [null, 2, null, null],
            [$found->sd, $found->degrees, $found->interval, $found->detectableChange()],
        );
    }

    private static function differences(float $bias, float $slope): Differences
    {
        [$reference, $test] = [[], []];
        for ($i = 0; $i < 20; $i++) {
            $reference[] = $x = 5.0 + 0.1 * $i;
            $test[] = $x + $bias + $slope * ($x - 5.95) + 0.02 * [1, -1, -1, 1][$i % 4];
        }

        return Differences::between($reference, $test, 0.95);
    }

    private static function policy(float $allowable, float $change, Scale $scale = Scale::Absolute): Policy
    {
        return Policy::of('ph', ActionLimits::of([6.0]), $allowable, $change, 0.8, 0.95, $scale);
    }
}
