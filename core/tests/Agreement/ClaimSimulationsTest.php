<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\Verdict;
use PHPUnit\Framework\TestCase;

/** Many made-up seasons: how often does a claim stand that should not? */
final class ClaimSimulationsTest extends TestCase
{
    private const SEASONS = 400;

    public function test_a_sorter_just_below_what_is_needed_stands_in_no_more_than_one_season_of_twenty(): void
    {
        mt_srand(11);
        $stood = 0;
        for ($season = 0; $season < self::SEASONS; $season++) {
            $pairs = [];
            for ($i = 0; $i < 60; $i++) {
                $reference = [5.2, 6.6, 7.8][$i % 3];
                $right = mt_rand() / mt_getrandmax() < 0.795;
                $pairs[] = PairedSample::numeric("s{$i}", $reference, [
                    $right ? $reference : ($reference < 6 ? 6.6 : 5.2),
                ]);
            }
            $stood += $this->judge($pairs)->sort->verdict === Verdict::Stands ? 1 : 0;
        }

        self::assertLessThanOrEqual((int) ceil(self::SEASONS * 0.05 + 2 * sqrt(self::SEASONS * 0.05 * 0.95)), $stood);
    }

    /** With an SD at which 1.96 SD just exceeds the allowable 0.3, the claim must rarely stand; at half of it often. */
    public function test_the_rate_claim_holds_its_error_at_ten_pairs_and_has_power_at_sixty(): void
    {
        mt_srand(12);
        $false = $true = 0;
        for ($season = 0; $season < self::SEASONS; $season++) {
            $false += $this->judge($this->numeric(10, (0.3 / 1.96) * 1.01))->rate->verdict === Verdict::Stands ? 1 : 0;
            $true += $this->judge($this->numeric(60, 0.3 / 1.96 / 2))->rate->verdict === Verdict::Stands ? 1 : 0;
        }

        self::assertLessThanOrEqual((int) ceil(self::SEASONS * 0.05 + 2 * sqrt(self::SEASONS * 0.05 * 0.95)), $false);
        self::assertGreaterThan(self::SEASONS * 0.85, $true);
    }

    /**
     * A shift that grows with the level is held against what is allowed at both ends; a spread that grows is no one
     * width.
     */
    public function test_a_spread_that_grows_with_the_level_does_not_stand(): void
    {
        mt_srand(13);
        $pairs = [];
        for ($i = 0; $i < 80; $i++) {
            $x = 4.5 + (3.5 * $i) / 79;
            $pairs[] = PairedSample::numeric("s{$i}", $x, [$x + (($x - 4.4) * mt_rand(-5, 5)) / 200]);
        }
        $it = $this->judge($pairs);

        self::assertSame(Verdict::Open, $it->rate->verdict);
        self::assertStringContainsString('grows with the level', implode(' ', $it->rate->reasons));
        self::assertStringContainsString('the ratio scale may', implode(' ', $it->rate->reasons));
    }

    public function test_replicates_say_what_they_speak_of(): void
    {
        mt_srand(14);
        $pairs = [];
        for ($i = 0; $i < 30; $i++) {
            $x = 5 + $i / 12;
            $pairs[] = PairedSample::numeric("s{$i}", $x, [$x + self::noise(0.05), $x + self::noise(0.05)]);
        }
        $it = $this->judge($pairs);

        self::assertSame(Verdict::Stands, $it->track->verdict);
        self::assertSame(30, $it->track->repeatability->degrees);
        self::assertEqualsWithDelta(0.05, $it->track->repeatability->sd, 0.015);
        self::assertStringContainsString('repeatability', implode(' ', $it->track->reasons));
    }

    public function test_noise_larger_than_the_change_falls_and_no_replicates_are_untested(): void
    {
        mt_srand(15);
        $pairs = array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 6.0, [
                6 + self::noise(0.5),
                6 + self::noise(0.5),
            ]),
            range(1, 30),
        );

        self::assertSame(Verdict::Falls, $this->judge($pairs)->track->verdict);
        self::assertSame(Verdict::Untested, $this->judge($this->numeric(30, 0.1))->track->verdict);
    }

    /** On the ratio scale an allowable of 0.2 means within a factor of 1.2, whatever the level. */
    public function test_the_ratio_scale_judges_factors(): void
    {
        mt_srand(16);
        $pairs = [];
        for ($i = 0; $i < 60; $i++) {
            $x = 10 * exp($i / 20);
            $pairs[] = PairedSample::numeric("s{$i}", $x, [$x * exp(self::noise(0.03))]);
        }
        $policy = Policy::of('p', ActionLimits::of([20.0, 40.0]), 0.2, 0.5, 0.8, 0.95, Scale::Ratio);

        self::assertSame(Verdict::Stands, Assessment::of($pairs, 0, $policy, null)->rate->verdict);
        self::assertEqualsWithDelta(log(1.2), $policy->tolerance(), 1e-12);
    }

    /** @return list<PairedSample> */
    private function numeric(int $count, float $sd): array
    {
        return array_map(static function (int $i) use ($sd): PairedSample {
            $x = mt_rand(480, 780) / 100;

            return PairedSample::numeric("s{$i}", $x, [$x + self::noise($sd)]);
        }, range(1, $count));
    }

    private static function noise(float $sd): float
    {
        return $sd *
            sqrt(-2 * log(mt_rand(1, mt_getrandmax()) / mt_getrandmax())) *
            cos((2 * M_PI * mt_rand()) / mt_getrandmax());
    }

    /** @param list<PairedSample> $pairs */
    private function judge(array $pairs): Assessment
    {
        return Assessment::of(
            $pairs,
            0,
            Policy::of('ph', ActionLimits::of([6.0, 7.3]), 0.3, 0.5, 0.8, 0.95, Scale::Absolute),
            null,
        );
    }
}
