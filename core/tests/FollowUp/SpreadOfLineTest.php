<?php

declare(strict_types=1);

namespace HonestCore\Tests\FollowUp;

use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\Outlook;
use HonestCore\FollowUp\PlannedLine;
use HonestCore\FollowUp\SizedLine;
use HonestCore\FollowUp\SpreadNote;
use HonestCore\FollowUp\SpreadOfLine;
use HonestCore\Quantity\AreaRate;
use HonestCore\Tests\Program\Made;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What of a program was really spread, and how an entry of the log is read. */
#[CoversClass(SpreadOfLine::class)]
#[CoversClass(SizedLine::class)]
#[CoversClass(Outlook::class)]
#[CoversClass(PlannedLine::class)]
#[CoversClass(SpreadNote::class)]
#[CoversClass(AreaRate::class)]
final class SpreadOfLineTest extends TestCase
{
    private const PROGRAM = 7;

    public function test_what_a_program_corrects_and_gives_none_of_is_taken_out_of_its_body(): void
    {
        $outlook = self::outlook();
        self::assertSame(['ph', 'p2o5', 'k2o'], $outlook->corrects);
        self::assertSame([], $outlook->none);
        self::assertSame(['lime', 'p2o5', 'k2o'], array_map(static fn (SizedLine $one): string => $one->key, $outlook->sized));
        $lime = $outlook->sized[0];
        self::assertSame(['mehlich', 'loam', 'ph'], [$lime->expects?->school, $lime->soil, $lime->analyte()]);
        self::assertNotSame([], $outlook->lines);
        self::assertEquals($outlook, Outlook::fromRow($outlook->toRow()));
        $rich = Outlook::of(['parts' => [Made::program(Made::part(6.6, [], ['p' => 60.0, 'k' => 300.0, 'cec' => 8.0]))->toArray()]]);
        self::assertContains('p2o5', $rich->none);
    }

    public function test_each_line_to_spread_has_a_name_of_its_own_by_which_it_is_found_again(): void
    {
        $outlook = self::outlook();
        $keys = array_map(static fn (PlannedLine $one): string => $one->key(), $outlook->lines);
        self::assertSame($keys, array_values(array_unique($keys)));
        foreach ($outlook->lines as $line) {
            self::assertSame($line, $outlook->line($line->key()));
            self::assertEqualsWithDelta($line->squareMetres / 4046.8564224, $line->acres(), 1e-9);
        }
        self::assertNull($outlook->line('0/gold/2024-11-20'));
    }

    public function test_the_whole_dressing_is_expected_to_go_the_way_that_its_school_says(): void
    {
        $lime = self::outlook()->sized[0];
        self::assertEqualsWithDelta(
            min(1.0, 6.6 - 5.6),
            $lime->expects?->of($lime->lbPerAcre) ?? 0.0,
            0.35,
            'One dressing moves one unit at most.',
        );
        self::assertLessThanOrEqual(1.0 + 1e-9, $lime->expects?->of($lime->lbPerAcre));
    }

    public function test_several_days_add_up_and_what_came_later_from_elsewhere_ends_the_answer(): void
    {
        $spread = new SpreadOfLine([
            self::act('2024-11-20', 1000.0), self::act('2024-11-25', 500.0), self::act('2024-11-22', 300.0, program: null),
            self::act('2026-03-01', 900.0, program: null), self::act('2024-11-21', null, brings: ['p2o5' => 40.0]),
        ], self::PROGRAM, 'lime');
        self::assertSame(['2024-11-20', '2024-11-25', '2026-03-01'], [$spread->first, $spread->last, $spread->nextOther]);
        self::assertEqualsWithDelta(1800.0, $spread->pounds([self::sized(0)]), 1e-9, 'What was spread besides counts within its days.');
        self::assertFalse($spread->declined);
    }

    public function test_parts_are_weighed_by_their_ground_and_an_entry_for_all_counts_on_each(): void
    {
        $spread = new SpreadOfLine([
            self::act('2024-11-20', 1000.0, part: 1), self::act('2024-11-21', 200.0),
        ], self::PROGRAM, 'lime');
        $lines = [self::sized(1, 3000.0), self::sized(2, 1000.0)];
        self::assertEqualsWithDelta((1200.0 * 3 + 200.0) / 4, $spread->pounds($lines), 1e-9);
        self::assertEqualsWithDelta((0.24 * 3 + 0.04) / 4, $spread->expected($lines), 1e-9);
    }

    public function test_what_others_brought_since_the_round_before_counts_and_what_came_before_it_does_not(): void
    {
        $spread = (new SpreadOfLine([
            self::act('2024-09-01', 700.0, program: null), self::act('2024-11-02', 300.0, program: null), self::act('2024-11-20', 1000.0),
        ], self::PROGRAM, 'lime'))->since('2024-10-01');
        self::assertSame(['2024-11-20', '2024-11-20'], [$spread->first, $spread->last]);
        self::assertEqualsWithDelta(1300.0, $spread->pounds([self::sized(0)]), 1e-9);
    }

    public function test_only_parts_that_both_rounds_share_are_held_against_each_other(): void
    {
        $some = [self::sized(1), self::sized(2)];
        $before = Rounds::of('2024-10-01', ['part 1 of a' => 5.0, 'part 2 of a' => 5.1, 'part 3 of a' => 6.9]);
        self::assertSame(['part 1 of a', 'part 2 of a'], SpreadOfLine::plotsOf($some, $before, $before));
        $otherwise = Rounds::of('2025-10-01', ['part 1 of b' => 6.0, 'part 2 of b' => 6.1]);
        self::assertSame([], SpreadOfLine::plotsOf($some, $before, $otherwise), 'Their first part is other ground.');
        $all = [...$some, self::sized(3)];
        self::assertCount(5, SpreadOfLine::plotsOf($all, $before, $otherwise), 'All of the ground is the same ground.');
        self::assertCount(5, SpreadOfLine::plotsOf([self::sized(0)], $before, $otherwise));
    }

    public function test_nothing_spread_is_told_from_nothing_noted_and_from_what_nobody_knows(): void
    {
        $none = new SpreadOfLine([], self::PROGRAM, 'lime');
        self::assertSame(['', false, []], [$none->first, $none->declined, $none->unknown]);
        self::assertTrue((new SpreadOfLine([self::act('2024-11-20', 0.0)], self::PROGRAM, 'lime'))->declined);
        $unknown = new SpreadOfLine([self::act('2024-11-20', null, brings: null)], self::PROGRAM, 'lime');
        self::assertSame([['Limestone'], '2024-11-20'], [$unknown->unknown, $unknown->first]);
    }

    /** @return iterable<string, array{float, string, float}> */
    public static function rates(): iterable
    {
        yield 'lb for 1,000 sq ft (43,560 sq ft an acre)' => [46.0, 'lb/1000sqft', 2003.76];
        yield 'lb for 100 sq ft' => [4.6, 'lb/100sqft', 2003.76];
        yield 'short tons' => [1.5, 'tons/acre', 3000.0];
        yield 'kg/ha (0.45359237 kg a pound, 0.40468564224 ha an acre)' => [2245.8, 'kg/ha', 2003.656];
        yield 't/ha' => [2.2458, 't/ha', 2003.656];
        yield 'g/m2' => [224.58, 'g/m2', 2003.656];
    }

    #[DataProvider('rates')]
    public function test_a_rate_is_read_in_the_unit_it_was_written_in(float $amount, string $unit, float $pounds): void
    {
        self::assertEqualsWithDelta($pounds, self::note(['amount' => $amount, 'unit' => $unit])->lbPerAcre(), 1e-3);
        self::assertNull(self::note(['amount' => $amount, 'unit' => $unit])->refusal('2024-11-20'));
    }

    public function test_an_entry_that_cannot_be_taken_says_why(): void
    {
        foreach (
            [
                'needs its rate' => ['amount' => null], 'is no unit of a rate' => ['unit' => 'handfuls'],
                'lies in the future' => ['on' => '2024-11-21'], 'is no day' => ['on' => 'yesterday'],
                'too long ago' => ['on' => '1949-01-01'],
                'Say what was spread' => ['what' => ''], 'from 0 to' => ['amount' => 1e9], 'names no line' => ['as_planned' => true],
            ] as $words => $more
        ) {
            self::assertStringContainsString($words, self::note($more)->refusal('2024-11-20') ?? '');
        }
        self::assertNull(self::note(['takes_back' => 'x', 'amount' => null])->refusal('2024-11-20'));
        self::assertEquals(self::note([]), SpreadNote::fromRow(self::note([])->toRow()));
    }

    private static function outlook(): Outlook
    {
        return Outlook::of(['parts' => [Made::program(Made::part())->toArray()]]);
    }

    private static function sized(int $part, float $m2 = 1000.0): SizedLine
    {
        return SizedLine::fromRow([
            'part' => $part, 'area_m2' => $m2, 'soil' => 'loam', 'key' => 'lime', 'lb_per_acre' => 4000.0,
            'expects' => [
                'school' => 'smp', 'analyte' => 'ph', 'extractant' => '', 'from' => 5.6, 'zero_lb' => 0.0, 'per_lb' => 0.8 / 4000,
            ],
        ]);
    }

    /** @param array<string, float>|null $brings */
    private static function act(
        string $on,
        ?float $lime,
        ?int $program = self::PROGRAM,
        int $part = 0,
        ?array $brings = [],
    ): GroundAct {
        return new GroundAct(
            GroundAct::SPREAD, $on, $on, 'Limestone', $lime === null ? 100.0 : $lime, null,
            $lime === null ? $brings : ['lime' => $lime], $part, 'log', $program, 1,
        );
    }

    /** @param array<string, mixed> $more */
    private static function note(array $more): SpreadNote
    {
        return SpreadNote::fromRow($more + [
            'uuid' => 'x', 'area_id' => 1, 'program_id' => null, 'part' => 0, 'product' => '', 'what' => 'Lime', 'as_planned' => false,
            'line' => null, 'amount' => 5.0, 'unit' => 'lb/acre', 'on' => '2024-11-20', 'weather' => '', 'spread_by' => '',
            'note' => '', 'takes_back' => null,
        ]);
    }
}
