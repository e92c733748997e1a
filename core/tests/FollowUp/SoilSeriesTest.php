<?php

declare(strict_types=1);

namespace HonestCore\Tests\FollowUp;

use HonestCore\FollowUp\SeriesPoint;
use HonestCore\FollowUp\SeriesTrend;
use HonestCore\FollowUp\SoilSeries;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Series over the years: slopes against R (Reference/follow_up.R); what breaks a line is common practice. */
#[CoversClass(SoilSeries::class)]
#[CoversClass(SeriesPoint::class)]
#[CoversClass(SeriesTrend::class)]
final class SoilSeriesTest extends TestCase
{
    public function test_slopes_and_their_intervals_agree_with_another_program(): void
    {
        /** @var list<array{on: list<string>, value: list<float>, slope: float, interval: array{float, float}}> $cases */
        $cases = ReferenceData::of('follow_up')['slopes'];
        foreach ($cases as $case) {
            $trend = SeriesTrend::of(array_map(Rounds::of(...), $case['on'], $case['value']), 3);
            self::assertNotNull($trend);
            self::assertEqualsWithDelta([$case['slope'], ...$case['interval']], [$trend->slope, ...$trend->interval ?? []], 1e-9);
        }
    }

    public function test_two_points_are_no_trend_and_neither_are_three_of_one_day(): void
    {
        self::assertNull(SeriesTrend::of([Rounds::of('2024-10-01', 6.0), Rounds::of('2025-10-01', 6.4)], 3));
        self::assertNull(SeriesTrend::of([Rounds::of('2024-10-01', 6.0), Rounds::of('2025-10-01', 6.4)], 1));
        self::assertNull(SeriesTrend::of(array_fill(0, 3, Rounds::of('2024-10-01', 6.0)), 3));
    }

    public function test_points_that_lie_on_their_line_give_a_slope_and_no_interval(): void
    {
        $trend = SeriesTrend::of(array_map(Rounds::of(...), ['2023-10-01', '2024-10-01', '2025-10-01'], [6.0, 6.0, 6.0]), 3);
        self::assertSame([0.0, null, false], [$trend?->slope, $trend?->interval, $trend?->isSeen()]);
    }

    /** @return iterable<string, array{SeriesPoint, string}> */
    public static function breaks(): iterable
    {
        yield 'the lab' => [Rounds::of('2025-10-05', 6.2, lab: 'Clay Works'), 'The lab changed, from Marl Laboratory to Clay Works.'];
        yield 'the extractant' => [
            Rounds::of('2025-10-05', 6.2, extractant: 'olsen'), 'The extractant changed, from one not named to olsen.',
        ];
        yield 'the method' => [Rounds::of('2025-10-05', 6.2, method: 'another'), 'The method changed, from Marl Laboratory pH to another.'];
        yield 'the layer' => [Rounds::of('2025-10-05', 6.2, layer: '0-8in'), 'The layer changed, from 0-6in to 0-8in.'];
        yield 'the season' => [Rounds::of('2025-04-05', 6.2), 'The season changed: pulled in October then, in April now.'];
    }

    #[DataProvider('breaks')]
    public function test_what_changes_breaks_the_line(SeriesPoint $then, string $why): void
    {
        $series = SoilSeries::of([Rounds::of('2024-10-01', 6.0), $then, Rounds::of('2023-10-01', 5.9)]);
        self::assertSame([2, 1], array_map(static fn (array $one): int => count($one['points']), $series->stretches));
        self::assertSame([[], [$why]], array_column($series->stretches, 'breaks'));
        self::assertSame([null, null], array_column($series->stretches, 'trend'));
    }

    public function test_the_turn_of_the_year_is_no_other_season_and_a_season_cannot_creep(): void
    {
        self::assertCount(1, SoilSeries::of([Rounds::of('2023-12-20', 6.0), Rounds::of('2025-01-10', 6.1)])->stretches);
        self::assertSame([11, 0, 182], [
            SeriesPoint::apart('2023-12-28', '2024-01-08'), SeriesPoint::apart('2023-05-01', '2025-05-01'),
            SeriesPoint::apart('2023-01-01', '2023-07-03'),
        ]);
        $creeping = array_map(
            static fn (int $year, string $day): SeriesPoint => Rounds::of("{$year}-{$day}", 6.0),
            [2020, 2021, 2022, 2023],
            ['09-01', '10-01', '11-01', '12-01'],
        );
        self::assertCount(2, SoilSeries::of($creeping)->stretches, '30 days a year are a winter after three.');
    }

    public function test_a_second_method_of_the_same_round_stands_aside_and_breaks_nothing(): void
    {
        $series = SoilSeries::of([
            Rounds::of('2024-10-01', 6.0), Rounds::of('2025-10-01', 6.1), Rounds::of('2025-10-01', 6.4, lab: 'Clay Works'),
            Rounds::of('2026-10-01', 6.2), Rounds::of('2026-10-01', 6.5, lab: 'Clay Works'),
        ]);
        self::assertCount(1, $series->stretches);
        self::assertCount(2, $series->aside);
        self::assertNotNull($series->stretches[0]['trend']);
    }

    public function test_the_mean_of_more_composites_is_surer(): void
    {
        $point = Rounds::of('2024-10-01', [1 => 5.0, 2 => 6.0, 3 => 7.0, 4 => 6.0], 0.2);
        self::assertEqualsWithDelta([6.0, 0.1], [$point->mean(), $point->uMean()], 1e-12);
        self::assertNull(Rounds::of('2024-10-01', 6.0, null)->uMean());
    }
}
