<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\ActionTally;
use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\SortClaim;
use HonestCore\Agreement\Verdict;
use HonestCore\Error\CoreError;
use HonestCore\Statistics\BinomialBound;
use HonestCore\Statistics\ConfidenceSequence;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** The rule of the sort claim, case by case; the bounds themselves are checked in DistributionsTest. */
#[CoversClass(ActionLimits::class)]
#[CoversClass(ActionTally::class)]
#[CoversClass(Bands::class)]
#[CoversClass(PairedSample::class)]
#[CoversClass(Verdict::class)]
final class SortClaimTest extends TestCase
{
    public function test_fourteen_clean_pairs_over_every_class_stand(): void
    {
        $it = $this->assess([...self::pairs(5, 5.0), ...self::pairs(5, 6.5), ...self::pairs(4, 7.8)]);

        self::assertSame(Verdict::Stands, $it->sort->verdict);
        self::assertSame(0, $it->sort->morePairs);
    }

    public function test_thirteen_do_not_and_one_more_would(): void
    {
        $it = $this->assess([...self::pairs(5, 5.0), ...self::pairs(4, 6.5), ...self::pairs(4, 7.8)]);

        self::assertSame(Verdict::Open, $it->sort->verdict);
        self::assertSame(1, $it->sort->morePairs);
    }

    public function test_agreement_far_from_the_limit_proves_nothing_of_the_other_classes(): void
    {
        $it = $this->assess(self::pairs(40, 5.0));

        self::assertSame(Verdict::Open, $it->sort->verdict);
        self::assertSame(6, $it->sort->morePairs, 'three for each class that was not asked');
        self::assertStringContainsString('was asked 0 times', implode(' ', $it->sort->reasons));
    }

    /**
     * So many more as it says, without a miss and where they are lacking, and it stands; with one fewer it does not,
     * wherever they lie.
     */
    public function test_the_pairs_it_asks_for_are_enough_and_no_fewer_are(): void
    {
        mt_srand(91);
        $asked = 0;
        for ($i = 0; $i < 250; $i++) {
            $policy = Policy::of(
                'ph',
                ActionLimits::of([6.0, 7.3]),
                0.3,
                0.5,
                [0.5, 0.7, 0.8, 0.9][mt_rand(0, 3)],
                [0.8, 0.9, 0.95][mt_rand(0, 2)],
                Scale::Absolute,
            )->lookedAt($i % 2 === 0 ? Looking::Once : Looking::Often);
            $samples = [];
            foreach ([5.0, 6.5, 8.0] as $k => $reference) {
                for ($n = mt_rand(0, 8); $n > 0; $n--) {
                    $samples[] = PairedSample::numeric("s{$k}{$n}", $reference, [
                        mt_rand(0, 9) === 0 ? 6.9 - 0.0001 * $n : $reference,
                    ]);
                }
            }
            $claim = SortClaim::judge(ActionTally::of($samples, $policy->limits, null), $policy);
            if ($claim->morePairs === null) {
                self::assertContains($claim->verdict, [Verdict::Falls, Verdict::Unable]);

                continue;
            }
            self::assertSame($claim->verdict === Verdict::Stands, $claim->morePairs === 0);
            if ($claim->morePairs > 0) {
                $asked++;
                self::assertSame(
                    Verdict::Stands,
                    self::with($samples, $claim->morePairs, $policy),
                    "case {$i}: {$claim->morePairs} more",
                );
                self::assertNotSame(
                    Verdict::Stands,
                    self::with($samples, $claim->morePairs - 1, $policy),
                    "case {$i}: one fewer than {$claim->morePairs}",
                );
            }
        }
        self::assertGreaterThan(100, $asked);
    }

    /**
     * The verdict once so many pairs that agree have come, each where it helps most: to the class that agrees in the
     * smallest share.
     *
     * @param list<PairedSample> $samples
     */
    private static function with(array $samples, int $more, Policy $policy): Verdict
    {
        for (; $more > 0; $more--) {
            $tally = ActionTally::of($samples, $policy->limits, null);
            // Where the claim itself says that something lacks, else anywhere.
            $lacks = array_keys(
                array_filter(
                    $tally->perClass,
                    static fn (array $class): bool => ! self::enough($class['n'], $class['agree'], $policy),
                ),
            );
            $least = $lacks[0] ?? 0;
            $samples[] = PairedSample::numeric("more{$more}", [5.0, 6.5, 8.0][$least] ?? 5.0, [
                [5.0, 6.5, 8.0][$least] ?? 5.0,
            ]);
        }

        return SortClaim::judge(ActionTally::of($samples, $policy->limits, null), $policy)->verdict;
    }

    private static function enough(int $n, int $agree, Policy $policy): bool
    {
        return $n > 0 &&
            $agree >= floor($policy->required * $n + 1e-9) &&
            ($policy->looking === Looking::Often
                ? ConfidenceSequence::lower($agree, $n, 0.875) >= 0.5
                : BinomialBound::lower($agree, $n, 0.875) >= 0.5 - 1e-9);
    }

    public function test_four_pairs_are_too_few_to_begin(): void
    {
        $it = $this->assess([...self::pairs(2, 5.0), ...self::pairs(2, 6.5)]);

        self::assertSame(Verdict::Untested, $it->sort->verdict);
    }

    public function test_no_pairs_give_no_figures_and_say_so(): void
    {
        $it = $this->assess([]);

        self::assertSame(Verdict::Untested, $it->sort->verdict);
        self::assertNull($it->sort->lower);
        self::assertNull($it->toArray()['sort']['rate']);
    }

    public function test_a_test_that_is_often_wrong_falls(): void
    {
        $it = $this->assess([
            ...self::pairs(4, 5.0),
            ...self::pairs(8, 5.0, 6.5),
            ...self::pairs(4, 6.5),
            ...self::pairs(4, 7.8),
        ]);

        self::assertSame(Verdict::Falls, $it->sort->verdict);
        self::assertNull($it->sort->morePairs);
    }

    public function test_a_test_that_always_misses_one_rare_class_falls(): void
    {
        $it = $this->assess([...self::pairs(60, 5.0), ...self::pairs(60, 6.5), ...self::pairs(2, 7.8, 6.5)]);
        self::assertNotSame(Verdict::Stands, $it->sort->verdict);

        $it = $this->assess([...self::pairs(60, 5.0), ...self::pairs(60, 6.5), ...self::pairs(3, 7.8, 6.5)]);
        self::assertSame(Verdict::Falls, $it->sort->verdict);
        self::assertStringContainsString('by itself rules out', implode(' ', $it->sort->reasons));
    }

    public function test_a_reading_on_a_limit_belongs_to_the_class_above(): void
    {
        $limits = ActionLimits::of([6.0, 7.3]);

        self::assertSame(1, $limits->classOf(6.0));
        self::assertSame(0, $limits->classOf(5.999999));
        self::assertSame(2, $limits->classOf(7.3));
        self::assertSame(1, $limits->classOfComputed((5.9 + 6.1) / 2), 'a mean is rounded before it meets the limit');
    }

    public function test_a_cut_band_counts_by_its_middle_and_is_reported(): void
    {
        $bands = Bands::parse('5.5:5.25:5.75,6.0:5.75:6.25,7.5:7.25:7.75');
        $it = $this->assess(
            [self::band($bands, '6.0', 5.9), ...array_fill(0, 5, self::band($bands, '5.5', 5.4))],
            $bands,
        );

        self::assertSame(5, $it->sort->tally->agree, 'the band 6.0 sorts to the class above 6');
        self::assertStringContainsString(
            'cuts the band 6.0; it counts by its middle in 1 pair',
            implode(' ', $it->sort->reasons),
        );
    }

    public function test_an_open_band_that_a_limit_cuts_cannot_sort_and_counts_as_a_miss(): void
    {
        $bands = Bands::parse('acid:0:5.5,rest:5.5:');
        $it = $this->assess(array_fill(0, 6, self::band($bands, 'rest', 6.5)), $bands);

        self::assertSame(0, $it->sort->tally->agree);
        self::assertSame(['rest' => 6], $it->sort->tally->mute);
        self::assertNull($it->kappa);
    }

    public function test_bands_that_reach_too_few_classes_are_unable(): void
    {
        $bands = Bands::parse('low:4:5,mid:5:6');
        $it = $this->assess(array_fill(0, 9, self::band($bands, 'low', 4.5)), $bands);

        self::assertSame(Verdict::Unable, $it->sort->verdict);
    }

    public function test_bands_can_never_size_a_rate(): void
    {
        $bands = Bands::parse('low:4:6,mid:6:7.3,high:7.3:9');
        $it = $this->assess(array_fill(0, 30, self::band($bands, 'low', 5.0)), $bands);

        self::assertSame(Verdict::Unable, $it->rate->verdict);
        self::assertNull($it->differences);
        self::assertStringContainsString('is 2 wide', implode(' ', $it->rate->reasons));
    }

    public function test_a_sample_may_be_judged_by_limits_of_its_own(): void
    {
        $berry = PairedSample::numeric('b', 6.1, [5.6])->withLimits(ActionLimits::of([4.0, 5.5]));
        $beds = PairedSample::numeric('v', 6.1, [5.6])->withLimits(ActionLimits::of([6.0, 7.3]));
        $it = $this->assess([$berry, $beds]);

        self::assertSame(1, $it->sort->tally->agree);
        self::assertSame(
            [['n' => 0, 'agree' => 0], ['n' => 1, 'agree' => 0], ['n' => 1, 'agree' => 1]],
            $it->sort->tally->perClass,
        );
    }

    public function test_own_limits_with_another_number_of_classes_are_refused(): void
    {
        $this->expectException(CoreError::class);

        $this->assess([PairedSample::numeric('b', 6.1, [5.6])->withLimits(ActionLimits::of([5.5]))]);
    }

    /** Two middle bands read as the point midway; with an open one they must sort alike. */
    public function test_the_median_of_two_bands_lies_between_them(): void
    {
        $bands = Bands::parse('low::5.25,5.5:5.25:5.75,6.0:5.75:6.25,6.5:6.25:6.75,high:6.75:');
        $named = static fn (string $name): Band => $bands->named($name) ?? throw new \LogicException();
        $median = static fn (string $one, string ...$others): Band => Bands::median(
            [$named($one), ...array_values(array_map($named, $others))],
            ActionLimits::of([6.0, 7.3]),
        );

        self::assertEqualsWithDelta(
            [5.75, 6.25, 6.0],
            [$median('6.0', '5.5')->middle(), $median('6.0', '6.5')->middle(), $median('5.5', '6.5')->middle()],
            1e-12,
        );
        self::assertSame(
            [0, 1, 1],
            [
                $median('5.5', '6.0')->classIn(ActionLimits::of([6.0, 7.3])),
                $median('6.0', '6.5')->classIn(ActionLimits::of([6.0, 7.3])),
                $median('5.5', '6.5')->classIn(ActionLimits::of([6.0, 7.3])),
            ],
            'a point on a limit belongs above',
        );
        self::assertSame('6.0', $median('5.5', '6.0', '6.5')->name, 'one in the middle of three');
        self::assertSame(0, $median('low', '5.5')->classIn(ActionLimits::of([6.0, 7.3])), 'both call for lime');
        self::assertNull($median('low', '6.5')->classIn(ActionLimits::of([6.0, 7.3])), 'they do not call for the '.
            'same');
        self::assertNull($median('6.5', 'high')->classIn(ActionLimits::of([6.0, 7.3])), 'a limit cuts the open one');
        self::assertNull($median('low', 'high')->classIn(ActionLimits::of([6.0])));
    }

    public function test_two_middle_bands_that_cannot_sort_are_a_miss_and_named(): void
    {
        $bands = Bands::parse('low::6,mid:6:7.3,high:7.3:');
        $torn = PairedSample::ordinal('b', 6.5, [
            $bands->named('low') ?? throw new \LogicException(),
            $bands->named('mid') ?? throw new \LogicException(),
        ]);
        $it = $this->assess([$torn], $bands);

        self::assertSame([0, 1], [$it->sort->tally->agree, $it->sort->tally->torn]);
        self::assertNull($it->kappa);
        self::assertStringContainsString('sort to different classes', implode(' ', $it->sort->reasons));
    }

    /** 3 of 3, 5 of 6 and 8 of 10 pass a class at 80 %; 4 of 5 agree often enough and are too likely by luck. */
    public function test_a_class_passes_by_agreement_that_luck_would_not_give(): void
    {
        foreach (
            [[3, 0, true], [2, 0, false], [4, 1, false], [5, 1, true], [8, 2, true], [7, 3, false]] as [$right, $wrong, $passes]
        ) {
            $it = $this->assess([
                ...self::pairs(60, 5.0),
                ...self::pairs(60, 6.5),
                ...self::pairs($right, 8.0),
                ...$wrong === 0 ? [] : self::pairs($wrong, 8.1, 6.5),
            ]);
            self::assertSame(
                $passes ? Verdict::Stands : Verdict::Open,
                $it->sort->verdict,
                "{$right} right and {$wrong} wrong",
            );
        }
        // By many looks 5 of 5 and 8 of 9 pass, and 4 of 4 and 7 of 8 do not.
        $policy = Policy::of('ph', ActionLimits::of([6.0, 7.3]), 0.3, 0.5, 0.8, 0.95, Scale::Absolute)->lookedAt(
            Looking::Often,
        );
        foreach ([[5, 0, true], [4, 0, false], [8, 1, true], [7, 1, false]] as [$right, $wrong, $passes]) {
            $it = Assessment::of(
                [
                    ...self::pairs(90, 5.0),
                    ...self::pairs(90, 6.5),
                    ...self::pairs($right, 8.0),
                    ...$wrong === 0 ? [] : self::pairs($wrong, 8.1, 6.5),
                ],
                0,
                $policy,
                null,
            );
            self::assertSame(
                $passes ? Verdict::Stands : Verdict::Open,
                $it->sort->verdict,
                "often: {$right} right and {$wrong} wrong",
            );
        }
    }

    /** A test that misses one action is no sorter, however rare the class: but two by chance do not refute it. */
    public function test_a_class_falls_at_its_part_of_the_risk(): void
    {
        foreach ([[2, Verdict::Open], [3, Verdict::Falls]] as [$missed, $verdict]) {
            $it = $this->assess([...self::pairs(60, 5.0), ...self::pairs(60, 6.5), ...self::pairs($missed, 8.0, 6.5)]);
            self::assertSame($verdict, $it->sort->verdict, "{$missed} missed: 0.2^{$missed} against 0.05/6");
        }
    }

    /** @return list<PairedSample> */
    private static function pairs(int $count, float $reference, ?float $test = null): array
    {
        return array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("{$reference}-{$i}", $reference, [
                $test ?? $reference,
            ]),
            range(1, $count),
        );
    }

    private static function band(Bands $bands, string $name, float $reference): PairedSample
    {
        return PairedSample::ordinal('b', $reference, [$bands->named($name) ?? throw new \LogicException()]);
    }

    /** @param list<PairedSample> $pairs */
    private function assess(array $pairs, ?Bands $bands = null): Assessment
    {
        return Assessment::of(
            $pairs,
            0,
            Policy::of('ph', ActionLimits::of([6.0, 7.3]), 0.3, 0.5, 0.8, 0.95, Scale::Absolute),
            $bands,
        );
    }
}
