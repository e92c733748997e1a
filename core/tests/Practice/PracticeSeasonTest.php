<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Practice\PracticeLevel;
use HonestCore\Practice\PracticeSeason;
use PHPUnit\Framework\TestCase;

final class PracticeSeasonTest extends TestCase
{
    public function test_the_same_seed_gives_the_same_season(): void
    {
        $of = static fn (int $seed): array => (array) PracticeSeason::played($seed, PracticeLevel::named('usual'));
        self::assertEquals($of(11), $of(11));
        self::assertNotEquals($of(11), $of(12));
    }

    public function test_all_of_its_composites_are_either_sure_or_too_close(): void
    {
        foreach ([1, 2, 3] as $seed) {
            $season = PracticeSeason::played($seed, PracticeLevel::named('hard'));
            self::assertSame(36, $season->sure + $season->tooClose);
            self::assertLessThanOrEqual($season->sure, $season->sureAndRight);
            self::assertLessThanOrEqual($season->tooClose, $season->tooCloseAndWrong);
            self::assertLessThanOrEqual($season->sized, $season->sizedRight);
        }
    }

    /** 2.77 x 0.1 and the split is within 0.5; 2.77 x 0.3 is not. */
    public function test_what_is_true_of_seeing_a_change_follows_from_what_the_kit_repeats_to(): void
    {
        self::assertTrue(PracticeSeason::played(5, PracticeLevel::named('gentle'))->true['track']);
        self::assertFalse(PracticeSeason::played(5, PracticeLevel::named('hard'))->true['track']);
    }
}
