<?php

declare(strict_types=1);

namespace HonestCore\Tests\FollowUp;

use HonestCore\FollowUp\CampaignWeek;
use HonestCore\FollowUp\WatchedReading;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The weeks of a campaign, and what a test that watches may say. */
#[CoversClass(CampaignWeek::class)]
#[CoversClass(WatchedReading::class)]
final class CampaignWeekTest extends TestCase
{
    /** @return iterable<string, array{string|null, string|null, string}> */
    public static function areas(): iterable
    {
        yield 'the week of the year it was pulled in before' => ['2024-10-08', '2027-10-08', '2027-10-04'];
        yield 'due within the season, pulled in another' => ['2024-05-08', '2027-09-22', '2027-09-20'];
        yield 'overdue, and the season another' => ['2020-05-08', '2023-05-08', '2027-09-06'];
        yield 'never pulled' => [null, null, '2027-09-06'];
        yield 'due later' => ['2026-05-20', '2028-05-20', '2027-11-29'];
        yield 'over the turn of no year' => ['2024-02-29', '2027-02-28', '2027-09-06'];
    }

    #[DataProvider('areas')]
    public function test_the_same_season_is_proposed(?string $pulled, ?string $due, string $week): void
    {
        $weeks = CampaignWeek::weeks('2027-09-08', 13);
        self::assertSame(['2027-09-06', '2027-11-29', 13], [$weeks[0], $weeks[12], count($weeks)]);
        self::assertSame($week, CampaignWeek::proposed($pulled, $due, $weeks));
    }

    public function test_weeks_go_over_the_turn_of_the_year(): void
    {
        $weeks = CampaignWeek::weeks('2026-12-01', 13);
        self::assertSame('2027-01-04', CampaignWeek::proposed('2024-01-08', '2027-01-08', $weeks));
        self::assertSame('2026-12-28', CampaignWeek::monday('2027-01-03'));
        self::assertSame('2027-02-22', CampaignWeek::proposed('2024-02-29', '2027-02-28', $weeks));
    }

    public function test_a_watching_test_says_that_something_changed_by_more_than_its_noise_and_no_more(): void
    {
        $reading = static fn (string $on, float $value, string $test = 'Pen'): array => [
            'on' => $on, 'value' => $value, 'test' => $test, 'code' => 'FN-1', 'detectable' => 0.3,
        ];
        $watched = WatchedReading::all([
            $reading('2026-06-01', 6.2), $reading('2026-04-01', 5.8), $reading('2026-05-01', 6.0), $reading('2026-05-02', 7.0, 'Drops'),
            $reading('2026-07-01', 6.51),
        ]);
        self::assertSame(
            [5.8, 6.0, 7.0, 6.2, 6.51],
            array_map(static fn (WatchedReading $one): float => $one->value, $watched),
        );
        self::assertSame(
            [null, false, null, false, true],
            array_map(static fn (WatchedReading $one): ?bool => $one->changed, $watched),
            'Each against the one before of the same test; small steps do not add up.',
        );
    }
}
