<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\ActionTally;
use HonestCore\Agreement\AgreementByDistance;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\SortClaim;
use HonestCore\Agreement\SortOutlook;
use HonestCore\Agreement\Verdict;
use HonestCore\Tests\Dice;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(AgreementByDistance::class)]
final class SortOutlookTest extends TestCase
{
    /**
     * 13 clean pairs, one short of what proves 80 %: the next settles it when it agrees, with (7 + 1)/(7 + 2) for the class
     * that has 7 of 7 and 7/8 for the one that has 6 of 6; at random 8/15 and 7/15 of them.
     */
    public function test_one_pair_that_would_prove_it_settles_it_as_often_as_it_agrees(): void
    {
        $claim = self::claim(self::pairs(7, 0, 6, 0), Looking::Once);
        $outlook = SortOutlook::of($claim, self::policy()) ?? self::fail('It is open.');

        self::assertSame(1, $claim->morePairs);
        self::assertEqualsWithDelta((8 / 15) * (8 / 9) + (7 / 15) * (7 / 8), $outlook[0]->settles[1], 1e-12);
        self::assertEqualsWithDelta([8 / 9, 7 / 8], [$outlook[1]->settles[1], $outlook[2]->settles[1]], 1e-12);
        self::assertSame([null, 0, 1], [$outlook[0]->class, $outlook[1]->class, $outlook[2]->class]);
    }

    public function test_pairs_of_the_class_that_was_never_asked_are_worth_more_than_others(): void
    {
        $outlook = SortOutlook::of(self::claim(self::pairs(14, 0, 0, 0), Looking::Once), self::policy()) ?? self::fail('It is open.');

        self::assertLessThan(1e-5, $outlook[1]->settles[10], 'no number of pairs of one class proves both');
        self::assertGreaterThan(0.2, $outlook[2]->settles[5]);
        self::assertGreaterThan($outlook[0]->settles[5], $outlook[2]->settles[5]);
    }

    /** What is weighed exactly is what comes of it when pairs are drawn by the same chances. */
    public function test_it_is_what_drawing_pairs_gives(): void
    {
        $policy = self::policy()->lookedAt(Looking::Once);
        $pairs = self::pairs(6, 1, 5, 0);
        $outlook = SortOutlook::of(self::claim($pairs, Looking::Once), $policy) ?? self::fail('It is open.');
        $dice = new Dice(4);
        [$settled, $times] = [0, 4_000];
        for ($time = 0; $time < $times; $time++) {
            [$more, $counts] = [$pairs, [[7, 6], [5, 5]]];
            for ($i = 0; $i < 10; $i++) {
                $class = $dice->chance(8 / 14) ? 0 : 1;
                $agrees = $dice->chance(($counts[$class][1] + 1) / ($counts[$class][0] + 2));
                $counts[$class] = [$counts[$class][0] + 1, $counts[$class][1] + ($agrees ? 1 : 0)];
                $more[] = self::pair($class, $agrees, "more {$i}");
            }
            $settled += in_array(self::claim($more, Looking::Once)->verdict, [Verdict::Stands, Verdict::Falls], true) ? 1 : 0;
        }

        self::assertEqualsWithDelta($settled / $times, $outlook[0]->settles[10], 4 * sqrt(0.25 / $times));
    }

    public function test_what_is_settled_has_no_outlook(): void
    {
        self::assertNull(SortOutlook::of(self::claim(self::pairs(10, 0, 10, 0), Looking::Once), self::policy()));
        self::assertNull(SortOutlook::of(self::claim(self::pairs(0, 10, 0, 10), Looking::Once), self::policy()));
    }

    public function test_agreement_by_distance_from_the_nearest_limit(): void
    {
        $limits = ActionLimits::of([6.0, 7.3]);
        $rows = AgreementByDistance::of([
            [6.0, false, $limits], [6.29, true, $limits], [6.3, true, $limits], [6.65, true, $limits], [5.0, true, $limits],
            [4.7, true, $limits], [8.6, true, $limits], [8.7, true, $limits], [9.0, true, $limits], [4.0, true, $limits],
        ], self::policy());

        self::assertEqualsWithDelta([[0.0, 0.3], [0.3, 0.6], [0.6, 1.2]], array_map(
            static fn (AgreementByDistance $one): array => [$one->from, $one->to],
            array_slice($rows, 0, 3),
        ), 1e-12);
        self::assertNull($rows[3]->to);
        self::assertSame([[2, 1], [1, 1], [2, 2], [5, 5]], array_map(
            static fn (AgreementByDistance $one): array => [$one->n, $one->agree],
            $rows,
        ));
        // 0.05^(1/5): five clean pairs (first principles); fewer say nothing.
        self::assertEqualsWithDelta(0.05 ** 0.2, $rows[3]->lower, 1e-9);
        self::assertNull($rows[0]->lower);
    }

    public function test_on_the_ratio_scale_distances_are_factors(): void
    {
        $policy = Policy::of('p', ActionLimits::of([20.0]), 0.2, 0.5, 0.8, 0.95, Scale::Ratio);
        $rows = AgreementByDistance::of([[23.0, true, $policy->limits], [24.5, true, $policy->limits]], $policy);

        self::assertEqualsWithDelta([1.0, 1.2, 1.44], [$rows[0]->from, $rows[1]->from, $rows[2]->from], 1e-9);
        self::assertSame([1, 1], [$rows[0]->n, $rows[1]->n]);
    }

    /** @param list<PairedSample> $pairs */
    private static function claim(array $pairs, Looking $looking): SortClaim
    {
        $policy = self::policy()->lookedAt($looking);

        return SortClaim::judge(ActionTally::of($pairs, $policy->limits, null), $policy);
    }

    /** @return list<PairedSample> that agree and do not, below the limit and above it */
    private static function pairs(int $low, int $lowMissed, int $high, int $highMissed): array
    {
        $pairs = [];
        foreach ([[0, true, $low], [0, false, $lowMissed], [1, true, $high], [1, false, $highMissed]] as [$class, $agrees, $n]) {
            for ($i = 0; $i < $n; $i++) {
                $pairs[] = self::pair($class, $agrees, "{$class} ".($agrees ? 'right' : 'missed')." {$i}");
            }
        }

        return $pairs;
    }

    private static function pair(int $class, bool $agrees, string $code): PairedSample
    {
        $reference = $class === 0 ? 5.0 : 7.0;

        return PairedSample::numeric($code, $reference, [$agrees ? $reference : 12.0 - $reference]);
    }

    private static function policy(): Policy
    {
        return Policy::of('ph', ActionLimits::of([6.0]), 0.3, 0.5, 0.8, 0.95, Scale::Absolute);
    }
}
