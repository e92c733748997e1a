<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\Clusters;
use HonestCore\Agreement\LimitsAtEnds;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\Verdict;
use HonestCore\Error\ValueOutOfRange;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Assessment::class)]
final class LimitsAtEndsTest extends TestCase
{
    /** 240 sets, two thirds of them in clusters, worked by NumPy and SciPy (Reference/ends.py). */
    public function test_ends_shares_effective_pairs_and_verdicts_against_scipy(): void
    {
        /**
         * @var list<array{asked: array{x: list<float>, y: list<float>, clusters: list<string>|null,
         * limits: list<float>, allowable: float, required: float, confidence: float}, found: array{effective: float,
         * bounds: array{float, float}, ends: list<list<float>>|null, spread_p: float, within: list<float>, sort: string,
         * rate: string}}> $cases
         */
        $cases = json_decode(
            (string) file_get_contents(__DIR__.'/../Reference/ends.json'),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        self::assertCount(240, $cases);
        foreach ($cases as $i => ['asked' => $asked, 'found' => $found]) {
            $samples = array_map(
                static function (float $x, float $y, int $pair) use ($asked): PairedSample {
                    $sample = PairedSample::numeric("s{$pair}", $x, [$y]);

                    return $asked['clusters'] === null ? $sample : $sample->inCluster($asked['clusters'][$pair]);
                },
                $asked['x'],
                $asked['y'],
                array_keys($asked['x']),
            );
            $it = Assessment::of(
                $samples,
                0,
                Policy::of(
                    'ph',
                    ActionLimits::of($asked['limits']),
                    $asked['allowable'],
                    0.5,
                    $asked['required'],
                    $asked['confidence'],
                    Scale::Absolute,
                ),
                null,
            );

            self::assertEqualsWithDelta(
                [$found['effective'], ...$found['bounds']],
                [$it->sort->effective, $it->sort->lower, $it->sort->upper],
                1e-6,
                "set {$i}",
            );
            $ends = $it->differences?->atEnds;
            self::assertSame($found['ends'] === null, $ends === null, "set {$i}");
            foreach ($found['ends'] ?? [] as $e => $end) {
                $mine = $ends->ends[$e] ?? self::fail('no end');
                self::assertEqualsWithDelta(
                    $end,
                    [
                        $mine['at'],
                        $mine['mean'],
                        $mine['lower'],
                        $mine['upper'],
                        ...$mine['lower_ci'],
                        ...$mine['upper_ci'],
                    ],
                    1e-6,
                    "set {$i}",
                );
            }
            if ($ends !== null) {
                self::assertEqualsWithDelta($found['spread_p'], $ends->spreadP, 1e-7, "set {$i}");
            }
            self::assertEqualsWithDelta(
                $found['within'],
                array_values($it->rate->within?->toArray() ?? []),
                1e-6,
                "set {$i}",
            );
            self::assertSame(
                [$found['sort'], $found['rate']],
                [$it->sort->verdict->value, $it->rate->verdict->value],
                "set {$i}",
            );
        }
    }

    public function test_means_without_spread_have_one_level_and_four_pairs_are_needed(): void
    {
        self::assertNull(LimitsAtEnds::of([6.0, 6.1, 6.2], [0.1, 0.0, 0.1], 0.95));
        $flat = LimitsAtEnds::of([6.0, 6.0, 6.0, 6.0, 6.0], [0.1, -0.1, 0.1, -0.1, 0.0], 0.95) ?? self::fail('none');
        self::assertEqualsWithDelta(
            [0.0, -1.96 * 0.1, 1.96 * 0.1],
            [$flat->ends[0]['mean'], $flat->ends[0]['lower'], $flat->ends[0]['upper']],
            1e-12,
        );
        self::assertSame($flat->ends[0], $flat->ends[1]);
        self::assertNull($flat->spreadP);
        $equal = LimitsAtEnds::of([5.0, 6.0, 7.0, 8.0], [0.2, 0.2, 0.2, 0.2], 0.95) ?? self::fail('none');
        self::assertEqualsWithDelta(
            [[0.2, 0.2], [0.2, 0.2]],
            [$equal->ends[1]['lower_ci'], $equal->ends[1]['upper_ci']],
            1e-9,
        );
        self::assertNull($equal->spreadP, 'no residual, no p');
    }

    /** Forty pairs of two days are not forty pairs, whatever they say. */
    public function test_fewer_than_three_clusters_prove_and_refute_nothing(): void
    {
        foreach ([1 => 'open', 2 => 'open', 10 => 'stands'] as $days => $verdict) {
            $it = $this->judge(static fn (int $i): float => 0.0, $days);
            self::assertSame(
                [$verdict, $verdict],
                [$it->sort->verdict->value, $it->rate->verdict->value],
                "{$days} days",
            );
        }
        $two = $this->judge(static fn (int $i): float => 1.0, 2);
        self::assertSame(
            [Verdict::Open, Verdict::Open, null],
            [$two->sort->verdict, $two->rate->verdict, $two->sort->morePairs],
        );
        self::assertStringContainsString(
            'Fewer than 3 clusters',
            implode(' ', [...$two->sort->reasons, ...$two->rate->reasons]),
        );
        self::assertSame('falls', $this->judge(static fn (int $i): float => 1.0, 10)->rate->verdict->value);
    }

    public function test_a_cluster_of_each_pair_alone_changes_nothing(): void
    {
        [$named, $bare] = [
            $this->judge(static fn (int $i): float => 0.01 * ($i % 3), 40),
            $this->judge(static fn (int $i): float => 0.01 * ($i % 3), 0),
        ];

        self::assertSame($bare->differences?->toArray(), $named->differences?->toArray());
        self::assertSame([40.0, 40.0], [$named->sort->effective, $bare->sort->effective]);
    }

    public function test_some_clusters_and_some_none_are_refused(): void
    {
        $this->expectException(ValueOutOfRange::class);
        Clusters::of([
            PairedSample::numeric('a', 6.0, [6.0])->inCluster('Monday'),
            PairedSample::numeric('b', 6.0, [6.0]),
        ]);
    }

    /**
     * A step of half a pH sees no change of less, however well its readings repeat; the spread without the reference
     * moves no verdict.
     */
    public function test_resolution_and_the_reference_are_taken_into_account(): void
    {
        $samples = array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 5.0 + 0.1 * $i, [
                5.0 + 0.1 * $i,
                5.01 + 0.1 * $i,
            ]),
            range(1, 30),
        );
        $policy = Policy::of('ph', ActionLimits::of([6.0]), 0.3, 0.5, 0.8, 0.95, Scale::Absolute);
        $track = static fn (float $step): array => Assessment::of(
            $samples,
            0,
            $policy->withResolution($step),
            null,
        )->track->toArray();

        self::assertSame(['stands', 0.5], [$track(0.5)['verdict'], $track(0.5)['detectable_change']]);
        self::assertSame('falls', $track(0.51)['verdict']);
        self::assertSame('stands', $track(0.001)['verdict']);
        self::assertGreaterThan(0.01, $track(0.001)['detectable_change']);
        $ratio = Assessment::of(
            $samples,
            0,
            Policy::of('ph', ActionLimits::of([6.0]), 0.3, 0.5, 0.8, 0.95, Scale::Ratio)->withResolution(0.5),
            null,
        )->track;
        self::assertSame(['stands', log(1.5)], [$ratio->verdict->value, $ratio->toArray()['detectable_change']]);
        [$with, $without] = [
            Assessment::of($samples, 0, $policy, null, 0.004),
            Assessment::of($samples, 0, $policy, null),
        ];
        self::assertSame(0.0, $with->differences?->sdWithoutReference);
        self::assertSame(
            [null, $with->rate->verdict],
            [$without->differences?->sdWithoutReference, $without->rate->verdict],
        );
    }

    /** Looking often by the plain confidence of intervals, as the command does, guards the sort claim alone. */
    public function test_looking_often_may_guard_the_sort_claim_alone(): void
    {
        $samples = array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", 5.0 + 0.1 * $i, [
                5.0 + 0.1 * $i + 0.02 * ($i % 3),
                5.0 + 0.1 * $i,
            ]),
            range(1, 30),
        );
        $policy = Policy::of('ph', ActionLimits::of([6.0, 7.3]), 0.3, 0.5, 0.8, 0.95, Scale::Absolute);
        [$once, $sort, $all] = array_map(
            static fn (Policy $one): array => Assessment::of($samples, 0, $one, null)->toArray(),
            [$policy, $policy->lookedAt(Looking::Often, intervalsToo: false), $policy->lookedAt(Looking::Often)],
        );

        self::assertSame(
            [$once['difference'], $once['track']['sd_within_ci']],
            [$sort['difference'], $sort['track']['sd_within_ci']],
        );
        self::assertLessThan($once['sort']['lower'], $sort['sort']['lower']);
        self::assertGreaterThan($once['difference']['upper_limit_ci'][1], $all['difference']['upper_limit_ci'][1]);
        self::assertStringNotContainsString(
            'one look',
            implode(' ', [...$sort['reasons'], ...$sort['sort']['reasons']]),
        );
    }

    /** @param callable(int): float $off */
    private function judge(callable $off, int $days): Assessment
    {
        $samples = array_map(static function (int $i) use ($off, $days): PairedSample {
            $reference = [5.0, 6.5, 8.0, 5.2][$i % 4] + 0.001 * $i;
            $sample = PairedSample::numeric("s{$i}", $reference, [$reference + $off($i) + 0.01 * sin(1.7 * $i)]);

            return $days === 0 ? $sample : $sample->inCluster('day '.$i % $days);
        }, range(0, 39));

        return Assessment::of(
            $samples,
            0,
            Policy::of('ph', ActionLimits::of([6.0, 7.3]), 0.3, 0.5, 0.8, 0.95, Scale::Absolute),
            null,
        );
    }
}
