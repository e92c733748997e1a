<?php

declare(strict_types=1);

namespace HonestCore\Tests\Custody;

use HonestCore\Custody\CustodyStep;
use HonestCore\Custody\CustodyTrail;
use HonestCore\Custody\TrailLine;
use HonestCore\Error\ImpossibleStep;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(CustodyStep::class)]
#[CoversClass(TrailLine::class)]
#[CoversClass(ImpossibleStep::class)]
final class CustodyTrailTest extends TestCase
{
    private const NOW = 1_800_000_000;

    public function test_the_usual_way_to_the_lab_and_back_in_a_report(): void
    {
        $trail = $this->replay([
            'split',
            'drying',
            'dried',
            'packed',
            'sent',
            'arrived',
            'measured',
            'reported',
            'shelved',
        ]);

        self::assertSame('shelved', $trail->state());
        self::assertSame(
            ['split', 'drying', 'dried', 'packed', 'sent', 'arrived', 'measured', 'reported', 'shelved'],
            $trail->states,
        );
    }

    public function test_found_again_or_taken_out_it_is_where_it_was_before(): void
    {
        self::assertSame('sent', $this->replay(['split', 'packed', 'sent', 'lost', 'found'])->state());
        self::assertSame(
            'dried',
            $this->replay(['split', 'drying', 'dried', 'packed', 'checked', 'unpacked'])->state(),
        );
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function impossible(): iterable
    {
        yield 'a lost portion cannot arrive' => [['split', 'packed', 'sent', 'lost', 'arrived'], 'is lost since'];
        yield 'not sent before it is packed' => [['split', 'sent'], 'cannot be handed to the carrier'];
        yield 'packed twice' => [['split', 'packed', 'packed'], 'Scanned twice?'];
        yield 'nothing after it was used up' => [
            ['split', 'drying', 'dried', 'used_up', 'packed'],
            'Nothing follows any more',
        ];
        yield 'it begins with the split' => [['packed'], 'begins when the portion is split off'];
        yield 'not split twice' => [['split', 'split'], 'Accepted next: spread to dry'];
        yield 'no such step' => [['split', 'eaten'], '"eaten" is no step; accepted are split'];
    }

    /** @param list<string> $steps */
    #[DataProvider('impossible')]
    public function test_an_impossible_step_is_refused_with_where_it_is_and_what_may_follow(
        array $steps,
        string $words,
    ): void {
        $this->expectException(ImpossibleStep::class);
        $this->expectExceptionMessage($words);

        $this->replay($steps);
    }

    public function test_a_step_in_the_future_or_before_the_last_is_refused(): void
    {
        $written = $this->events(['split', 'packed']);
        foreach (
            [[self::NOW + 121, 'lies in the future'], [$written[1]->at - 1, 'lies before the last line, packed at']] as [$at, $words]
        ) {
            try {
                CustodyTrail::with('QH26-07L-X', $written, new TrailLine('n', 'sent', $at), self::NOW);
                self::fail($words);
            } catch (ImpossibleStep $error) {
                self::assertStringContainsString($words, $error->getMessage());
            }
        }
        self::assertSame(
            'sent',
            CustodyTrail::with(
                'QH26-07L-X',
                $written,
                new TrailLine('n', 'sent', self::NOW + 119),
                self::NOW,
            )->state(),
            'a clock may run a little ahead',
        );
    }

    /**
     * Lines that came late, as from a phone that was offline, stand by their time; those of one moment as they were
     * written.
     */
    public function test_lines_stand_in_the_order_of_their_time(): void
    {
        $at = self::NOW - 5_000;
        $written = [
            new TrailLine('e0', 'split', $at),
            new TrailLine('e3', 'sent', $at + 300),
            new TrailLine('e2', 'packed', $at + 200),
        ];
        self::assertSame(['split', 'packed', 'sent'], CustodyTrail::replay('X', $written, self::NOW)->states);
        $together = [
            new TrailLine('e0', 'split', $at),
            new TrailLine('e1', 'drying', $at),
            new TrailLine('e2', 'dried', $at),
            new TrailLine('e3', 'packed', $at),
        ];
        self::assertSame(
            ['split', 'drying', 'dried', 'packed'],
            CustodyTrail::replay('X', $together, self::NOW)->states,
        );
    }

    public function test_a_mistake_is_withdrawn_or_set_right_and_the_correction_can_be_corrected(): void
    {
        $written = $this->events(['split', 'packed', 'lost']);
        $withdrawn = [...$written, new TrailLine('c1', 'withdrawn', self::NOW, correctsId: 'e2')];
        self::assertSame('packed', CustodyTrail::replay('X', $withdrawn, self::NOW)->state());
        $again = [...$withdrawn, new TrailLine('c2', 'sent', $written[2]->at, 'depot', correctsId: 'c1')];
        self::assertSame(
            ['sent', 'depot'],
            [
                CustodyTrail::replay('X', $again, self::NOW)->state(),
                CustodyTrail::replay('X', $again, self::NOW)->place(),
            ],
        );
    }

    public function test_a_correction_that_would_make_what_follows_impossible_is_refused(): void
    {
        $written = $this->events(['split', 'packed', 'sent']);
        foreach (
            [['e1', 'cannot be handed to the carrier'], ['e0', 'begin with "packed"'], ['zz', 'not in this trail']] as [$id, $words]
        ) {
            try {
                CustodyTrail::with(
                    'X',
                    $written,
                    new TrailLine('c', 'withdrawn', self::NOW, correctsId: $id),
                    self::NOW,
                );
                self::fail($words);
            } catch (ImpossibleStep $error) {
                self::assertStringContainsString($words, $error->getMessage());
            }
        }
    }

    public function test_from_every_state_what_is_offered_next_is_what_is_taken(): void
    {
        mt_srand(4);
        for ($walk = 0; $walk < 200; $walk++) {
            $written = [new TrailLine('e0', 'split', self::NOW - 10_000)];
            for ($i = 1; $i < 12; $i++) {
                $trail = CustodyTrail::replay('X', $written, self::NOW);
                $next = array_map(static fn (CustodyStep $step): string => $step->code, $trail->next());
                foreach (CustodyStep::all() as $step) {
                    $taken = $this->takes([...$written, new TrailLine('t', $step->code, self::NOW - 9_000 + $i)]);
                    self::assertSame(
                        in_array($step->code, $next, true),
                        $taken,
                        "{$step->code} from {$trail->state()}",
                    );
                }
                if ($next === []) {
                    break;
                }
                $written[] = new TrailLine("e{$i}", $next[mt_rand(0, count($next) - 1)], self::NOW - 9_000 + $i);
            }
        }
    }

    /** @param list<TrailLine> $written */
    private function takes(array $written): bool
    {
        try {
            CustodyTrail::replay('X', $written, self::NOW);

            return true;
        } catch (ImpossibleStep) {
            return false;
        }
    }

    /** @param list<string> $steps */
    private function replay(array $steps): CustodyTrail
    {
        return CustodyTrail::replay('QH26-07L-X', $this->events($steps), self::NOW);
    }

    /**
     * @param list<string> $steps
     * @return list<TrailLine>
     */
    private function events(array $steps): array
    {
        return array_map(
            static fn (string $step, int $i): TrailLine => new TrailLine(
                "e{$i}",
                $step,
                self::NOW - 100_000 + 1_000 * $i,
            ),
            $steps,
            array_keys($steps),
        );
    }

    public function test_a_damaged_trail_is_looked_at_with_its_damage_said(): void
    {
        $line = static fn (string $id, string $step, int $at): TrailLine => new TrailLine($id, $step, $at, 'Rack', '', null, null);
        $now = 2_000_000_000;

        $found = CustodyTrail::asFound('A-1', [$line('a', 'split', 1_000), $line('b', 'reported', 2_000)], $now);
        self::assertCount(2, $found->lines, 'what is there is shown');
        self::assertCount(1, $found->damage);
        self::assertStringContainsString('cannot be', $found->damage[0]);

        $found = CustodyTrail::asFound('A-1', [$line('a', 'split', 1_000), $line('b', 'eaten', 2_000)], $now);
        self::assertSame(['split'], $found->states);
        self::assertStringContainsString('"eaten" is no step', $found->damage[0]);

        $found = CustodyTrail::asFound('A-1', [$line('b', 'drying', 2_000)], $now);
        self::assertStringContainsString('the trail would begin with', $found->damage[0]);

        $found = CustodyTrail::asFound('A-1', [], $now);
        self::assertSame(['split', []], [$found->state(), $found->lines]);
        self::assertStringContainsString('a trail begins when', $found->damage[0]);

        // A clock that was set back: what was written is still there.
        $found = CustodyTrail::asFound('A-1', [$line('a', 'split', 1_000_000)], 1_000);
        self::assertSame('split', $found->state());
        self::assertStringContainsString('lies in the future', $found->damage[0]);
        self::assertSame([], CustodyTrail::asFound('A-1', [$line('a', 'split', 1_000)], $now)->damage);
    }
}
