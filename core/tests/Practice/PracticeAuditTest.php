<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Agreement\Verdict;
use HonestCore\Practice\PracticeAudit;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Practice\PracticeSeason;
use HonestCore\Statistics\BinomialBound;
use PHPUnit\Framework\TestCase;

/** Whole seasons against their truth: what the verdicts promise is what they keep. */
final class PracticeAuditTest extends TestCase
{
    private const SEASONS = 60;

    public function test_verdicts_are_false_no_more_often_than_they_promise(): void
    {
        $counted = [];
        foreach (PracticeLevel::names() as $name) {
            $audit = new PracticeAudit();
            for ($seed = 1; $seed <= self::SEASONS; $seed++) {
                $audit->add(PracticeSeason::played($seed, PracticeLevel::named($name)));
            }
            $found = $audit->toArray();
            self::assertSame(self::SEASONS, $found['seasons']);
            foreach (PracticeAudit::CLAIMS as $claim) {
                $row = $found['claims'][$claim];
                self::assertSame(self::SEASONS, $row['stands'] + $row['falls'] + $row['open']);
                // "Stands" of a claim that does not hold comes in no more than 1 in 20: more than that is ruled out by chance alone.
                $falsely = BinomialBound::lower($row['stands_falsely'], max(1, $row['untrue']), 0.99);
                self::assertLessThanOrEqual(0.05, $falsely, "{$name} {$claim}");
                $true = self::SEASONS - $row['untrue'];
                $falsely = BinomialBound::lower($row['falls_falsely'], max(1, $true), 0.99);
                self::assertLessThanOrEqual(0.05, $falsely, "{$name} {$claim}");
                $counted[$claim] = ($counted[$claim] ?? 0) + $row['stands'] + $row['falls'];
            }
            self::assertGreaterThanOrEqual(0.94, $found['sure_and_right'] / $found['sure'], "{$name}: what is said for sure");
            self::assertGreaterThan(
                2 * (1 - $found['sure_and_right'] / $found['sure']),
                $found['too_close_and_wrong'] / $found['too_close'],
                "{$name}: what is too close would have been wrong more often",
            );
        }
        foreach ($counted as $claim => $n) {
            self::assertGreaterThan(20, $n, "{$claim} was decided often enough to be tried");
        }
    }

    public function test_it_counts_what_it_is_given(): void
    {
        $audit = new PracticeAudit();
        self::assertSame([0, 0], [$audit->count('sort', Verdict::Stands, true), $audit->untrue('sort')]);
        $season = PracticeSeason::played(1, PracticeLevel::named('gentle'));
        $audit->add($season);
        $audit->add($season);
        self::assertSame(2, $audit->count('track', $season->verdicts['track'], $season->true['track']));
        self::assertSame(2 * $season->sized, $audit->toArray()['sized']);
    }
}
