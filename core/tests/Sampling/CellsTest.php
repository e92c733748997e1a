<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Geometry\Ground;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\Polygon;
use HonestCore\Sampling\Cells;
use HonestCore\Sampling\Strips;
use PHPUnit\Framework\TestCase;

/** Cells of 10 m on ground drawn so that it is known which piece is a sliver and which neighbour it must join. */
final class CellsTest extends TestCase
{
    public function test_cells_are_numbered_to_and_fro_from_the_north_west(): void
    {
        $cells = Cells::cut(self::ground([[0, 0], [30, 0], [30, 20], [0, 20]]), 100.0);

        self::assertSame(
            [[5, 15], [15, 15], [25, 15], [25, 5], [15, 5], [5, 5]],
            array_map(static fn (Ground $cell): array => self::middleOf($cell), $cells),
        );
        foreach ($cells as $cell) {
            self::assertEqualsWithDelta(100.0, Strips::of($cell, 100)->areaM2(), 1e-6);
        }
    }

    /** The lattice begins at the north-west, so that what is over lies in the south and the east. */
    public function test_what_is_less_than_a_tenth_joins_and_a_tenth_stands(): void
    {
        self::assertCount(
            2,
            Cells::cut(self::ground([[0, 0], [10, 0], [10, 11.01], [0, 11.01]]), 100.0),
            'a tenth and a little',
        );
        $joined = Cells::cut(self::ground([[0, 0], [10, 0], [10, 10.9], [0, 10.9]]), 100.0);
        self::assertCount(1, $joined);
        self::assertTrue($joined[0]->contains(5, 0.1) && $joined[0]->contains(5, 10.8), 'all of it');
        self::assertCount(
            1,
            Cells::cut(self::ground([[0, 0], [10.9, 0], [10.9, 10], [0, 10]]), 100.0),
            'in the east too',
        );
    }

    /** A tip in the third column, beside a cell to its west of 30 m² and one to its north of 100 m². */
    public function test_a_sliver_joins_the_larger_of_its_neighbours(): void
    {
        $cells = Cells::cut(
            self::ground([
                [0, 20],
                [0, 7],
                [15, 7],
                [15, 7.5],
                [20, 7.5],
                [20, 9.5],
                [22, 9.5],
                [22, 10],
                [30, 10],
                [30, 20],
            ]),
            100.0,
        );
        $tip = self::holding($cells, 21.0, 9.7);
        self::assertTrue($tip->contains(25, 15), 'the cell north of it is the larger');
        self::assertFalse($tip->contains(12, 8), 'the one west of it is the smaller');
        self::assertCount(5, $cells);
    }

    /**
     * A sliver at the east end of a row does not join the cell at the west end of the next, which follows it in
     * number.
     */
    public function test_a_sliver_does_not_reach_round_the_edge(): void
    {
        $cells = Cells::cut(
            self::ground([[0, 0], [10, 0], [10, 10], [20, 10], [20, 19], [20.5, 19], [20.5, 20], [0, 20]]),
            100.0,
        );
        $sliver = self::holding($cells, 20.3, 19.5);
        self::assertTrue($sliver->contains(15, 15));
        self::assertFalse($sliver->contains(5, 5));
        self::assertCount(3, $cells);
    }

    /** A sliver that shares no side joins over a corner, and one that touches nothing stays by itself. */
    public function test_a_sliver_joins_over_a_corner_or_stays_alone(): void
    {
        $corner = Cells::cut(
            self::ground(
                [[0, 10], [10, 10], [10, 20], [0, 20]],
                [[10.5, 9], [12, 9], [12, 9.9], [10.5, 9.9]],
                [[50, 0], [49, 0], [49, 1], [50, 1]],
            ),
            100.0,
        );
        self::assertCount(2, $corner);
        self::assertTrue(self::holding($corner, 11, 9.5)->contains(5, 15), 'over the corner at 10, 10');
        self::assertFalse(self::holding($corner, 49.5, 0.5)->contains(5, 15), 'too far from any');
    }

    /** Slivers in a row join one another until the whole is no sliver, or has reached a cell. */
    public function test_slivers_in_a_row_end_in_one_cell(): void
    {
        $cells = Cells::cut(
            self::ground([[0, 10], [10, 10], [10, 20], [0, 20]], [[0, 9.5], [40, 9.5], [40, 9.9], [0, 9.9]]),
            100.0,
        );
        self::assertCount(1, $cells);
        foreach ([5.0, 15.0, 25.0, 35.0] as $x) {
            self::assertTrue($cells[0]->contains($x, 9.7));
        }
    }

    /** @param list<Ground> $cells */
    private static function holding(array $cells, float $x, float $y): Ground
    {
        $found = array_values(array_filter($cells, static fn (Ground $cell): bool => $cell->contains($x, $y)));
        self::assertCount(1, $found, "one cell holds {$x}, {$y}");

        return $found[0];
    }

    /** @return array{int, int} */
    private static function middleOf(Ground $cell): array
    {
        return [
            (int) round(($cell->box->west + $cell->box->east) / 2),
            (int) round(($cell->box->south + $cell->box->north) / 2),
        ];
    }

    /** @param list<array{int|float, int|float}> ...$rings */
    private static function ground(array ...$rings): Ground
    {
        $polygons = array_values(
            array_map(static function (array $ring): Polygon {
                $corners = array_map(static fn (array $p): array => [(float) $p[0], (float) $p[1]], $ring);

                return new Polygon([$corners === [] ? self::fail('no ring') : $corners]);
            }, $rings),
        );

        return Ground::of($polygons === [] ? self::fail('no polygon') : $polygons, 0.0, KeepAway::nothing());
    }
}
