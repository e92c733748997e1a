<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Error\CoreError;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\LocalPlane;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\DepthStack;
use HonestCore\Sampling\Pattern;
use HonestCore\Sampling\Placement;
use HonestCore\Sampling\PlacementSpec;
use HonestCore\Sampling\Probe;
use HonestCore\Sampling\RowPlan;
use HonestCore\Sampling\School;
use HonestCore\Sampling\Zones;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/**
 * Schools, layers, rows, cells and zones: the facts of section 1 of the trade (common practice) and what follows from
 * them.
 */
#[CoversClass(PlacementSpec::class)]
#[CoversClass(School::class)]
#[CoversClass(Zones::class)]
final class SchoolsTest extends TestCase
{
    public function test_all_fourteen_schools_are_sound(): void
    {
        $schools = School::all();

        self::assertCount(14, $schools);
        foreach ($schools as $school) {
            self::assertNotSame('', $school->name);
            self::assertGreaterThan(20, strlen($school->why), $school->code);
        }
    }

    public function test_ground_beyond_a_schools_reach_asks_for_more_composites(): void
    {
        $schools = array_column(School::all(), null, 'code');

        self::assertSame([1, 2, 3], array_map($schools['arable-level']->composites(...), [20.0, 20.1, 45.0]));
        self::assertSame(9, $schools['arable-rolling']->composites(45.0));
        self::assertSame(18, $schools['grid-lime']->composites(45.0));
        self::assertSame(1, $schools['lawn-garden']->composites(45.0));
        self::assertTrue($schools['turf']->isFor('lawn'));
    }

    public function test_a_row_that_is_no_school_is_refused(): void
    {
        $row = [
            'name' => 'x',
            'acres' => null,
            'cores' => [5, 6, 7],
            'layers' => ['0-6in'],
            'pattern' => 'random',
            'why' => '',
        ];
        foreach (
            [
                ['cores' => [6, 5, 7]],
                ['cores' => [5]],
                ['cores' => [0, 1, 2]],
                ['cores' => [5, 6, 5]],
                ['cores' => [5, 6, 7, 8]],
                ['cores' => [5, 6, PlacementSpec::MOST_CORES + 1]],
                ['cores' => [5, 6.5, 7]],
                ['cell_acres' => 0],
                ['layers' => []],
                ['layers' => ['deep']],
                ['pattern' => 'spiral'],
                ['acres' => -2],
            ] as $change
        ) {
            try {
                School::of('own', $change + $row);
                self::fail(json_encode($change).' was accepted');
            } catch (CoreError $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
        self::assertSame(6, School::of('own', $row)->cores[1]);
        self::assertSame(
            [1, 1, PlacementSpec::MOST_CORES],
            School::of('own', ['cores' => [1, 1, PlacementSpec::MOST_CORES]] + $row)->cores,
            'the ends are accepted',
        );
    }

    public function test_layers_are_stacked_from_the_top_and_may_not_overlap(): void
    {
        self::assertSame(
            ['0-2 in', '2-6 in'],
            array_map(static fn (DepthLayer $l): string => $l->text(), DepthStack::parse(['2-6in', '0-2in'])->layers),
        );
        self::assertSame('15-30 cm', DepthLayer::parse('15-30cm')->text());
        $this->expectExceptionMessage('The layers 0-6in and 4-12in overlap');
        DepthStack::parse(['4-12in', '0-6in']);
    }

    public function test_a_layer_that_the_labs_ratings_are_not_for_is_pointed_out(): void
    {
        self::assertSame([], DepthStack::parse(['0-6in'])->warnings());
        self::assertSame([], DepthStack::parse(['0-15cm'])->warnings());
        self::assertSame([], DepthStack::parse(['0-8in'])->warnings());
        self::assertSame(
            [0, 1, 0, 1],
            array_map(static fn (string $layer): int => count(DepthStack::parse([$layer])->warnings()), [
                '0-14.8cm',
                '0-14cm',
                '0-20.8cm',
                '0-21.5cm',
            ]),
            'half a centimetre is let pass',
        );
        self::assertCount(2, DepthStack::parse(['0-2in', '2-6in'])->warnings());
        self::assertCount(1, DepthStack::parse(['0-6in', '12-24in'])->warnings());
    }

    /** Common practice: every 3 in from the row to mid-row; 30 in rows give 6 cores. S = 8 x 2.5 ft = 20. */
    public function test_rows_of_30_inches(): void
    {
        $rows = RowPlan::of(0.762, 0);

        self::assertSame([6, 20], [$rows->perTransect(), $rows->betweenForEachInBand()]);
    }

    public function test_transects_run_across_the_rows(): void
    {
        $boundary = self::square();
        $plan = Placement::draft(self::spec($boundary, Pattern::Rows, 18)->acrossRows(RowPlan::of(0.762, 90)));
        $at = array_map($boundary->plane->toMetres(...), $plan->composites[0]);
        foreach ([0, 6, 12] as $first) {
            for ($k = 1; $k < 6; $k++) {
                self::assertEqualsWithDelta(
                    [0.0, -RowPlan::STEP_M],
                    [$at[$first + $k][0] - $at[$first + $k - 1][0], $at[$first + $k][1] - $at[$first + $k - 1][1]],
                    1e-3,
                    'rows to the east, transects to the south',
                );
            }
        }
    }

    /** Rows that bear north-east by 30 degrees: across them it goes 30 degrees south of east. */
    public function test_transects_run_across_rows_of_any_bearing(): void
    {
        $boundary = self::square();
        $at = array_map(
            $boundary->plane->toMetres(...),
            Placement::draft(self::spec($boundary, Pattern::Rows, 6)->acrossRows(RowPlan::of(0.762, 30)))->composites[0],
        );
        for ($k = 1; $k < 6; $k++) {
            self::assertEqualsWithDelta(
                [$k * 0.0762 * cos(deg2rad(30)), -$k * 0.0762 * sin(deg2rad(30))],
                [$at[$k][0] - $at[0][0], $at[$k][1] - $at[0][1]],
                1e-3,
            );
        }
    }

    public function test_cores_stand_round_the_middle_of_their_cell_or_over_it(): void
    {
        $boundary = self::square();
        $spec = PlacementSpec::of(
            $boundary,
            KeepAway::nothing(),
            0,
            Pattern::Random,
            8,
            2.5 * Extent::M2_PER_ACRE,
            [DepthLayer::ofInches(0, 6)],
            Probe::ofDiameterMm(19),
            3,
        );
        $spread = static function (Placement $plan) use ($boundary): float {
            $far = [];
            foreach ($plan->composites as $cores) {
                $at = array_map($boundary->plane->toMetres(...), $cores);
                [$mx, $my] = [
                    array_sum(array_column($at, 0)) / count($at),
                    array_sum(array_column($at, 1)) / count($at),
                ];
                $far[] = max(0.0, ...array_map(static fn (array $p): float => hypot($p[0] - $mx, $p[1] - $my), $at));
            }

            return array_sum($far) / count($far);
        };
        [$over, $round] = [Placement::draft($spec), Placement::draft($spec->roundTheMiddle())];

        self::assertSame($over->cores(), $round->cores());
        self::assertLessThan(8.0, $spread($round));
        self::assertGreaterThan(20.0, $spread($over));
    }

    public function test_the_corners_and_the_middle_of_a_bed(): void
    {
        $boundary = self::square();
        $at = array_map(
            $boundary->plane->toMetres(...),
            Placement::draft(self::spec($boundary, Pattern::Corners, 5))->composites[0],
        );
        $quadrants = array_unique(
            array_map(
                static fn (array $p): string => ($p[0] > 0 ? 'e' : 'w').($p[1] > 0 ? 'n' : 's'),
                array_filter($at, static fn (array $p): bool => hypot($p[0], $p[1]) > 50),
            ),
        );

        self::assertCount(4, $quadrants);
        self::assertCount(1, array_filter($at, static fn (array $p): bool => hypot($p[0], $p[1]) < 5));
    }

    public function test_each_zone_gets_a_composite_of_its_own_ground(): void
    {
        $boundary = self::square();
        $zones = self::halves($boundary, 199);
        $plan = Placement::draft(self::spec($boundary, Pattern::Random, 12)->byZone(Zones::fromGeoJson($zones, $boundary)));

        self::assertCount(2, $plan->composites);
        foreach ($plan->composites as $i => $cores) {
            self::assertCount(12, $cores);
            foreach ($cores as $core) {
                self::assertSame($i === 0, $boundary->plane->toMetres($core)[0] < 0);
            }
        }
    }

    public function test_a_zone_over_the_boundary_is_refused(): void
    {
        $boundary = self::square();

        $this->expectExceptionMessage('reaches over the boundary');
        Zones::fromGeoJson(self::halves($boundary, 260), $boundary);
    }

    /**
     * All corners of the zone lie in the area, and one of its edges leaves it through a notch: the one that closes the
     * ring too.
     */
    public function test_a_zone_whose_edge_leaves_the_area_between_its_corners_is_refused(): void
    {
        $plane = new LocalPlane(10, 50);
        $json = static fn (array $ring): string => (string) json_encode([
            'type' => 'Polygon',
            'coordinates' => [
                array_map(static fn (array $p): array => $plane->toDegrees([(float) $p[0], (float) $p[1]]), [
                    ...$ring,
                    $ring[0],
                ]),
            ],
        ]);
        // A U, open to the north.
        $boundary = Boundary::fromGeoJson(
            $json([[-100, -100], [100, -100], [100, 100], [40, 100], [40, -40], [-40, -40], [-40, 100], [-100, 100]]),
        );
        self::assertCount(
            1,
            Zones::fromGeoJson($json([[-90, -90], [90, -90], [90, -50], [-90, -50]]), $boundary)->polygons,
        );
        $corners = [[-70, 60], [-70, -80], [70, -80], [70, 60]];
        for ($turn = 0; $turn < 4; $turn++) {
            try {
                Zones::fromGeoJson($json($corners), $boundary);
                self::fail("turned by {$turn}");
            } catch (CoreError $error) {
                self::assertStringContainsString('zone 1: it reaches over the boundary', $error->getMessage());
            }
            $corners = [...array_slice($corners, 1), $corners[0]];
        }
    }

    public function test_the_walk_starts_at_the_gate_and_goes_on_from_composite_to_composite(): void
    {
        $boundary = self::square();
        $gate = $boundary->plane->toDegrees([190.0, 190.0]);
        foreach (Pattern::cases() as $pattern) {
            $plan = Placement::draft(self::spec($boundary, $pattern, 15)->startingAt($gate));
            $at = array_map($boundary->plane->toMetres(...), $plan->composites[0]);
            $first = hypot($at[0][0] - 190, $at[0][1] - 190);
            $last = hypot($at[14][0] - 190, $at[14][1] - 190);
            self::assertLessThanOrEqual($last + 1e-6, $first, $pattern->value);
        }
    }

    private static function spec(Boundary $boundary, Pattern $pattern, int $cores): PlacementSpec
    {
        return PlacementSpec::of(
            $boundary,
            KeepAway::nothing(),
            0,
            $pattern,
            $cores,
            null,
            [DepthLayer::ofInches(0, 6)],
            Probe::ofDiameterMm(19),
            5,
        );
    }

    private static function square(): Boundary
    {
        return Boundary::fromGeoJson((string) json_encode(ReferenceData::of('geometry')['areas'][1]['geometry']));
    }

    private static function halves(Boundary $boundary, float $reach): string
    {
        $ring = static fn (float $west, float $east): array => array_map(
            static fn (array $p): array => $boundary->plane->toDegrees([(float) $p[0], (float) $p[1]]),
            [[$west, -190], [$east, -190], [$east, 190], [$west, 190], [$west, -190]],
        );

        return (string) json_encode([
            'type' => 'MultiPolygon',
            'coordinates' => [[$ring(-$reach, -1)], [$ring(1, $reach)]],
        ]);
    }
}
