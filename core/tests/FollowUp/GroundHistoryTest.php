<?php

declare(strict_types=1);

namespace HonestCore\Tests\FollowUp;

use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\GroundHistory;
use HonestCore\Program\ShelfProduct;
use HonestCore\Sampling\AreaFacts;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** One history of the ground: what facts say, what was noted and what was logged, in the order of their days. */
#[CoversClass(GroundHistory::class)]
#[CoversClass(GroundAct::class)]
final class GroundHistoryTest extends TestCase
{
    public function test_what_facts_say_stands_in_one_history_with_what_was_logged(): void
    {
        $history = self::history();
        self::assertSame(
            ['2024', '2025-05', '2026-06-01', '2026-09-20', '2026-10-01'],
            array_map(static fn (GroundAct $act): string => $act->day(), $history->acts),
        );
        self::assertSame(
            ['facts', 'facts', 'log', 'log', 'facts'],
            array_map(static fn (GroundAct $act): string => $act->source, $history->acts),
        );
        self::assertSame('Manure, on a part: from the neighbour', $history->acts[1]->what);
    }

    public function test_a_day_that_is_known_by_its_year_spans_the_year(): void
    {
        [$year, $month] = [self::history()->acts[0], self::history()->acts[1]];
        self::assertSame(['2024-01-01', '2024-12-31', false], [$year->from, $year->to, $year->isOfOneDay()]);
        self::assertSame(['2025-05-01', '2025-05-31'], [$month->from, $month->to]);
        self::assertCount(1, self::history()->spreadBetween('2024-06-30', '2024-12-31'), 'It may have been then.');
        self::assertSame([], self::history()->spreadBetween('2026-09-20', '2026-09-30'), 'The first day is not among them.');
    }

    public function test_a_plan_hears_what_was_spread_shortly_before_and_until_when_to_wait(): void
    {
        $warnings = self::history()->warnings(new \DateTimeImmutable('2026-10-10'));
        self::assertSame(
            [
                'Pelleted limestone was spread on 20 Sep 2026, 20 days before: a core would bring up grains. Wait until 20 Nov 2026.',
                'Lime was spread on 1 Oct 2026, 9 days before: a core would bring up grains. Wait until 1 Dec 2026.',
            ],
            $warnings,
        );
        self::assertSame([], self::history()->warnings(new \DateTimeImmutable('2026-06-30')), 'Rain is not spread.');
        self::assertSame([], self::history()->warnings(new \DateTimeImmutable('2026-12-02')));
        self::assertCount(1, self::history()->warnings(new \DateTimeImmutable('2026-11-20')), 'Waited as long as it was told for one.');
    }

    public function test_what_was_brought_between_two_rounds_is_told_from_what_nobody_knows(): void
    {
        $act = static fn (string $on, ?array $brings, ?float $pounds = 500.0): GroundAct => new GroundAct(
            GroundAct::SPREAD, $on, $on, 'Marl', $pounds, null, $brings, 0, 'log', null, 1,
        );
        $history = GroundHistory::of(AreaFacts::of([]), [
            $act('2025-03-01', ['lime' => 900.0]), $act('2025-03-02', ['k2o' => 90.0]), $act('2025-03-03', null),
            $act('2025-03-04', null, 0.0),
        ]);
        $days = static fn (array $acts): array => array_map(static fn (GroundAct $one): string => $one->from, $acts);
        self::assertSame(['2025-03-01'], $days($history->broughtBetween('lime', '2025-02-01', '2025-10-01')));
        self::assertSame([], $history->broughtBetween('lime', '2025-03-01', '2025-10-01'), 'On the day of the round: before it.');
        self::assertSame(['2025-03-03'], $days($history->unknownBetween('2025-02-01', '2025-10-01')), 'Nothing at all is known.');
        self::assertSame(['2025-03-01', '2025-03-02', '2025-03-03'], $history->spreadDays());
        self::assertSame(['2026-09-20', '2026-10-01'], self::history()->spreadDays(), 'Of facts only those of one day.');
    }

    public function test_what_a_product_brings_is_said_in_what_lines_are_of(): void
    {
        $shelf = ShelfProduct::shipped();
        $brings = $shelf['superphosphate']->brings(200);
        self::assertEqualsWithDelta(40.0, $brings['p2o5'] ?? 0.0, 1e-9);
        self::assertEqualsWithDelta(['sulphur' => 90.0], $shelf['sulphur']->brings(100), 1e-9);
        $ash = $shelf['wood-ash']->brings(1000);
        self::assertGreaterThan(0, $ash['lime'] ?? 0.0, 'Ash is lime and potash at once.');
        self::assertGreaterThan(0, $ash['k2o'] ?? 0.0);
    }

    private static function history(): GroundHistory
    {
        $act = static fn (string $kind, string $on, string $what, int $id): GroundAct => new GroundAct(
            $kind, $on, $on, $what, $kind === GroundAct::RAIN ? null : 2000.0, null, null, 0, 'log', null, $id,
        );

        return GroundHistory::of(
            AreaFacts::of(['events' => [
                ['kind' => 'lime', 'on' => '2026-10-01', 'part' => false, 'note' => ''],
                ['kind' => 'manure', 'on' => '2025-05', 'part' => true, 'note' => 'from the neighbour'],
                ['kind' => 'compost', 'on' => '2024', 'part' => false, 'note' => ''],
            ]]),
            [
                $act(GroundAct::SPREAD, '2026-09-20', 'Pelleted limestone', 2),
                $act(GroundAct::RAIN, '2026-06-01', 'Rain', 1),
            ],
        );
    }
}
