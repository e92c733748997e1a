<?php

declare(strict_types=1);

namespace HonestCore\Tests\FollowUp;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\FollowUp\RetestDesign;
use HonestCore\Tests\Dice;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** What a retest must look like to see a change: by hand, and whether it does see it by a simulation. */
#[CoversClass(RetestDesign::class)]
final class RetestDesignTest extends TestCase
{
    public function test_a_large_change_wants_one_composite_and_a_small_one_more(): void
    {
        $large = RetestDesign::of(1.0, 0.0, 0.4, 0.05, 2, 15);
        self::assertSame([1, 15, 2, false], [$large?->composites, $large?->cores, $large?->duplicates, $large?->fromAnew]);
        $u2 = 0.4 ** 2 / 15 + 0.05 ** 2;
        self::assertEqualsWithDelta((1.959964 + 0.8416212) * sqrt(2 * $u2), $large?->smallest, 1e-5);
        $small = RetestDesign::of(0.25, 0.0, 0.4, 0.05, 2, 15);
        self::assertGreaterThan(1, $small?->composites);
        self::assertLessThanOrEqual(0.25, $small?->smallest);
    }

    public function test_the_fewest_composites_go_before_the_fewest_cores(): void
    {
        $design = RetestDesign::of(0.35, 0.0, 0.4, 0.02, 2, 15);
        self::assertSame([1, 25], [$design?->composites, $design?->cores]);
    }

    public function test_what_was_pulled_before_may_have_been_too_little_for_ever(): void
    {
        $design = RetestDesign::of(0.3, 0.05, 0.4, 0.05, 2, 15);
        self::assertTrue($design?->fromAnew, 'No retest mends what was pulled before: both rounds are to be pulled alike.');
        self::assertNull(RetestDesign::of(0.01, 0.0, 0.4, 0.2, 2, 15));
    }

    /** Of changes as large as the one asked for it sees four in five or more. */
    public function test_it_sees_what_it_was_made_to_see(): void
    {
        $dice = new Dice(12);
        foreach ([0.2, 0.3, 0.5] as $change) {
            $design = RetestDesign::of($change, 0.0, 0.4, 0.05, 2, 15);
            self::assertNotNull($design);
            $u2 = 0.4 ** 2 / $design->cores + 0.05 ** 2;
            $se = sqrt((2 * $u2) / $design->composites);
            $seen = 0;
            for ($i = 0; $i < 3000; $i++) {
                $seen += abs($change + $se * $dice->normal()) > 1.959964 * $se ? 1 : 0;
            }
            self::assertGreaterThan(0.8 - 0.025, $seen / 3000);
        }
    }

    public function test_no_change_cannot_be_designed_for(): void
    {
        $this->expectException(ValueOutOfRange::class);
        RetestDesign::of(0.0, 0.0, 0.4, 0.05, 2, 15);
    }
}
