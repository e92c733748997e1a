<?php

declare(strict_types=1);

namespace HonestCore\Tests\Simulation;

use HonestCore\Error\CoreError;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\KeepAway;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\Draw;
use HonestCore\Sampling\Zones;
use HonestCore\Simulation\Comparison;
use HonestCore\Simulation\CorrelatedField;
use HonestCore\Simulation\FieldModel;
use HonestCore\Simulation\NodeGrid;
use HonestCore\Simulation\Scheme;
use HonestCore\Simulation\SchemeOutcome;
use HonestCore\Simulation\Stakes;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(NodeGrid::class)]
#[CoversClass(Scheme::class)]
#[CoversClass(SchemeOutcome::class)]
final class ComparisonTest extends TestCase
{
    public function test_every_scheme_parts_the_whole_ground_once(): void
    {
        $grid = self::grid();
        foreach (
            [
                Scheme::oneComposite($grid, 20),
                Scheme::zones($grid, 3, 20),
                ...array_map(static fn (float $a): Scheme => Scheme::cells($grid, $a, 10), [
                    1.0,
                    2.5,
                    5.0,
                    10.0,
                    1000.0,
                ]),
            ] as $scheme
        ) {
            self::assertSame(array_keys($grid->at), self::sorted(array_merge(...$scheme->composites)), $scheme->name);
        }
        self::assertSame(3, Scheme::zones($grid, 3, 20)->samples());
        $middle = $grid->westM + ($grid->spacingM * (max(array_column($grid->at, 1)) + 1)) / 2;
        $zones = Scheme::drawn($grid, self::zones(), 20);
        self::assertSame('2 drawn zones', $zones->name);
        self::assertSame(
            array_keys($grid->at),
            self::sorted(array_merge(...$zones->composites)),
            'ground outside of the zones goes with the nearest',
        );
        foreach ($zones->composites as $i => $nodes) {
            foreach ($nodes as $node) {
                $east = $grid->place($node)[0] - $middle;
                self::assertTrue(
                    abs($east) < $grid->spacingM || ($i === 0) === $east < 0,
                    'west of the middle is nearer to the western zone',
                );
            }
        }
        self::assertEqualsWithDelta(
            $grid->areaM2 / Extent::M2_PER_ACRE / 2.5,
            Scheme::cells($grid, 2.5, 10)->samples(),
            6,
        );
    }

    /** By hand: ground of 5.5 everywhere under a limit of 6.0 needs (6.5 - 5.5) x 2 tons an acre, and gets it. */
    public function test_flat_sour_ground_is_limed_right_by_any_scheme(): void
    {
        $grid = self::grid();
        foreach ($this->compare($grid, 5.5, 0.0, 3, ['lab_sd_ph' => 0.0]) as $row) {
            self::assertEqualsWithDelta(
                [0.0, 0.0, 0.0],
                [$row['needless_acres'][0], $row['missed_acres'][0], $row['misplaced_tons'][0]],
                1e-9,
                $row['name'],
            );
            self::assertEqualsWithDelta(0.0, $row['margin'], 1e-6);
        }
    }

    public function test_flat_ground_is_cheapest_by_one_composite_and_surely_so(): void
    {
        $rows = $this->compare(self::grid(), 6.8, 0.0, 5, []);

        self::assertSame(
            ['one composite'],
            array_column(array_filter($rows, static fn (array $r): bool => $r['best']), 'name'),
        );
        self::assertCount(count($rows) - 1, array_filter($rows, static fn (array $r): bool => $r['sure']));
    }

    /** Common practice: one composite hides a pH of 5.9 next to 8.2 behind an average of 7. */
    public function test_one_composite_hides_what_cells_find(): void
    {
        $grid = self::grid();
        $schemes = [Scheme::oneComposite($grid, 20), Scheme::cells($grid, 2.5, 10)];
        $middle =
            array_sum(array_map(static fn (int $i): float => $grid->place($i)[0], array_keys($grid->at))) /
            count($grid->at);
        $halves = array_map(
            static fn (int $i): float => $grid->place($i)[0] < $middle ? 5.9 : 8.2,
            array_keys($grid->at),
        );
        [$one, $cells] = array_map(
            static fn (SchemeOutcome $o): array => $o->toArray(),
            Comparison::run(
                $grid,
                $schemes,
                Stakes::of(6.3, 6.8, ['lab_sd_ph' => 0.0]),
                10,
                static fn (): array => $halves,
                new Draw(2),
            ),
        );
        $half = $grid->areaM2 / Extent::M2_PER_ACRE / 2;

        self::assertEqualsWithDelta($half, $one['missed_acres'][0], $half * 0.02);
        self::assertLessThan($one['missed_acres'][0] / 3, $cells['missed_acres'][0]);
    }

    public function test_finer_grids_miss_less_and_cost_more_to_pull(): void
    {
        $rows = array_column($this->compare(self::grid(), 6.1, 0.45, 60, []), null, 'name');

        self::assertGreaterThan(
            $rows['5-acre cells']['misplaced_tons'][0],
            $rows['10-acre cells']['misplaced_tons'][0],
        );
        self::assertGreaterThan($rows['1-acre cells']['misplaced_tons'][0], $rows['5-acre cells']['misplaced_tons'][0]);
        self::assertLessThan($rows['1-acre cells']['hours'], $rows['5-acre cells']['hours']);
        self::assertLessThan($rows['1-acre cells']['lab_money'], $rows['5-acre cells']['lab_money']);
    }

    public function test_a_dear_laboratory_turns_the_choice(): void
    {
        $cheap = $this->compare(self::grid(), 6.0, 0.5, 30, ['lab_fee' => 0.0, 'wage_per_hour' => 0.0]);
        $dear = $this->compare(self::grid(), 6.0, 0.5, 30, ['lab_fee' => 400.0]);
        $best = static fn (array $rows): int => array_values(
            array_filter($rows, static fn (array $r): bool => $r['best']),
        )[0]['samples'];

        self::assertGreaterThan(50, $best($cheap));
        self::assertSame(1, $best($dear));
    }

    public function test_the_error_shrinks_with_the_fields_and_the_seed_fixes_the_answer(): void
    {
        $few = $this->compare(self::grid(), 6.1, 0.45, 10, []);
        $many = $this->compare(self::grid(), 6.1, 0.45, 90, []);

        self::assertLessThan($few[0]['total_money'][1], $many[0]['total_money'][1]);
        self::assertSame($few, $this->compare(self::grid(), 6.1, 0.45, 10, []));
    }

    public function test_progress_is_told_field_by_field(): void
    {
        $grid = self::grid();
        $told = [];
        Comparison::run(
            $grid,
            [Scheme::oneComposite($grid, 5)],
            Stakes::of(6, 6.5),
            4,
            static fn (): array => array_fill(0, count($grid->at), 6.0),
            new Draw(1),
            static function (int $done) use (&$told): void {
                $told[] = $done;
            },
        );

        self::assertSame([1, 2, 3, 4], $told);
    }

    /** Beardwood, Halton & Hammersley: 0.7124 sqrt(100 x 40,000) m at 4 km/h, and 100 cores of 36 s. */
    public function test_hours_by_hand(): void
    {
        self::assertEqualsWithDelta(
            (0.7124 * 2000) / 4000 + 1.0,
            Stakes::of(6, 6.5, ['seconds_per_core' => 36.0])->hours(100, 40_000),
            1e-9,
        );
    }

    public function test_stakes_that_are_none_are_refused(): void
    {
        foreach (
            [
                static fn () => Stakes::of(6.5, 6.0),
                static fn () => Stakes::of(6, 6.5, ['lab_fee' => -1.0]),
                static fn () => Stakes::of(6, 6.5, ['speed_km_per_h' => 0.0]),
                static fn () => Stakes::of(6, 6.5, ['lab_fee' => NAN]),
            ] as $act
        ) {
            try {
                $act();
                self::fail('It was accepted.');
            } catch (CoreError $error) {
                self::assertSame('value_out_of_range', $error->errorCode());
            }
        }
    }

    /**
     * @param array<string, float> $stakes
     * @return list<array<string, mixed>>
     */
    private function compare(NodeGrid $grid, float $mean, float $sd, int $fields, array $stakes): array
    {
        $draw = new Draw(7);
        $model = FieldModel::of($mean, $sd, 120);
        $schemes = [
            Scheme::oneComposite($grid, 20),
            ...array_map(static fn (float $a): Scheme => Scheme::cells($grid, $a, 10), [1.0, 5.0, 10.0]),
        ];

        $outcomes = Comparison::run(
            $grid,
            $schemes,
            Stakes::of(6.0, 6.5, $stakes),
            $fields,
            static fn (): array => CorrelatedField::draw($grid, $model, $draw),
            $draw,
        );

        return array_map(static fn (SchemeOutcome $outcome): array => $outcome->toArray(), $outcomes);
    }

    private static function boundary(): Boundary
    {
        return Boundary::fromGeoJson((string) json_encode(self::rectangle(-76.3, -76.29)));
    }

    private static function grid(): NodeGrid
    {
        $boundary = self::boundary();

        return NodeGrid::over(Ground::of($boundary->polygons, 0, KeepAway::nothing()), $boundary->areaM2(), 500);
    }

    /** Two zones, one in the west and one in the east, with ground between them and round them. */
    private static function zones(): Zones
    {
        $pieces = [
            self::rectangle(-76.2995, -76.296)['coordinates'],
            self::rectangle(-76.294, -76.2905)['coordinates'],
        ];

        return Zones::fromGeoJson(
            (string) json_encode(['type' => 'MultiPolygon', 'coordinates' => $pieces]),
            self::boundary(),
        );
    }

    /** @return array{type: string, coordinates: list<list<array{float, float}>>} */
    private static function rectangle(float $west, float $east): array
    {
        return [
            'type' => 'Polygon',
            'coordinates' => [[[$west, 42.9], [$east, 42.9], [$east, 42.9065], [$west, 42.9065], [$west, 42.9]]],
        ];
    }

    /**
     * @param list<int> $nodes
     * @return list<int>
     */
    private static function sorted(array $nodes): array
    {
        sort($nodes);

        return $nodes;
    }
}
