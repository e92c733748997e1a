<?php

declare(strict_types=1);

namespace HonestCore\Tests\Custody;

use HonestCore\Custody\Outcome;
use HonestCore\Custody\PhoneClock;
use HonestCore\Custody\PullEntry;
use HonestCore\Custody\PullMerge;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(PhoneClock::class)]
#[CoversClass(PullEntry::class)]
final class PullMergeTest extends TestCase
{
    public function test_the_last_word_of_a_phone_counts_and_undone_takes_it_back(): void
    {
        $merge = PullMerge::of([
            self::entry('a', 1, 5, 'skipped'),
            self::entry('a', 3, 5, 'pulled'),
            self::entry('a', 2, 6, 'pulled'),
            self::entry('a', 4, 6, 'undone'),
        ]);

        self::assertSame([5 => 'pulled'], self::outcomes($merge));
        self::assertSame(1, $merge->up());
    }

    public function test_phones_that_agree_are_one_and_phones_that_differ_wait_for_a_person(): void
    {
        $entries = [
            self::entry('a', 1, 1, 'pulled'),
            self::entry('b', 1, 1, 'pulled'),
            self::entry('a', 2, 2, 'pulled'),
            self::entry('b', 2, 2, 'refused'),
            self::entry('b', 3, 3, 'moved'),
        ];
        $merge = PullMerge::of($entries);
        self::assertSame([1 => 'pulled', 3 => 'moved'], self::outcomes($merge));
        self::assertSame([2], array_keys($merge->conflicts));

        $settled = PullMerge::of([...$entries, self::entry('a', 9, 2, 'refused', ['a2', 'b2'])]);
        self::assertSame([1 => 'pulled', 2 => 'refused', 3 => 'moved'], self::outcomes($settled));
        self::assertSame(2, $settled->up());
        $again = PullMerge::of([
            ...$entries,
            self::entry('a', 9, 2, 'refused', ['a2', 'b2']),
            self::entry('b', 7, 2, 'pulled'),
        ]);
        self::assertSame([2], array_keys($again->conflicts), 'what is said after it was settled is a new conflict');
    }

    /** Whatever the order of arrival, and however often each entry comes, the result is the same. */
    public function test_order_and_repetition_change_nothing(): void
    {
        mt_srand(17);
        for ($round = 0; $round < 60; $round++) {
            $entries = [];
            foreach (['a', 'b', 'c'] as $device) {
                for ($i = 1; $i <= 12; $i++) {
                    $settles = $i === 12 && $entries !== [] ? [$entries[mt_rand(0, count($entries) - 1)]->id] : [];
                    $entries[] = self::entry(
                        $device,
                        $i,
                        mt_rand(1, 6),
                        Outcome::cases()[mt_rand(0, 4)]->value,
                        $settles,
                    );
                }
            }
            $first = PullMerge::of($entries);
            $twice = [...$entries, ...array_slice($entries, mt_rand(0, 30))];
            shuffle($twice);
            $second = PullMerge::of($twice);
            self::assertEquals(
                [self::outcomes($first), $first->conflicts],
                [self::outcomes($second), $second->conflicts],
            );
            self::assertSame([], array_intersect_key($first->standing, $first->conflicts));
        }
    }

    public function test_two_minutes_are_the_way_of_the_message(): void
    {
        self::assertSame(
            [0, 121, 0, -121],
            array_map(static fn (int $said): int => PhoneClock::against(1_000_000 + $said, 1_000_000)->offS, [
                -120,
                -121,
                120,
                121,
            ]),
        );
    }

    public function test_a_clock_that_is_a_day_off_is_mended_and_nothing_lies_in_the_future(): void
    {
        $now = 1_790_000_000;
        $behind = PhoneClock::against($now - 86_400, $now);
        self::assertSame([86_400, $now - 600], [$behind->offS, $behind->mend($now - 86_400 - 600)]);
        $ahead = PhoneClock::against($now + 86_400, $now);
        self::assertSame([-86_400, $now - 600], [$ahead->offS, $ahead->mend($now + 86_400 - 600)]);
        $fair = PhoneClock::against($now - 40, $now);
        self::assertSame([0, $now - 900], [$fair->offS, $fair->mend($now - 900)]);
        self::assertSame($now, $fair->mend($now + 5), 'set forward between the entry and its sending');
    }

    /** @param list<string> $settles */
    private static function entry(
        string $device,
        int $ordinal,
        int $core,
        string $outcome,
        array $settles = [],
    ): PullEntry {
        return new PullEntry($device.$ordinal, $device, $ordinal, $core, Outcome::from($outcome), $settles);
    }

    /** @return array<int, string> */
    private static function outcomes(PullMerge $merge): array
    {
        return array_map(static fn (PullEntry $entry): string => $entry->outcome->value, $merge->standing);
    }
}
