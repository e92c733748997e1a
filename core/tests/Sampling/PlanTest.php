<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Error\CoreError;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\Polygon;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\Pattern;
use HonestCore\Sampling\Placement;
use HonestCore\Sampling\PlacementSpec;
use HonestCore\Sampling\PlanFile;
use HonestCore\Sampling\Probe;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(DepthLayer::class)]
#[CoversClass(Pattern::class)]
#[CoversClass(Placement::class)]
#[CoversClass(PlanFile::class)]
final class PlanTest extends TestCase
{
    /** @return iterable<string, array{Pattern, int}> */
    public static function patterns(): iterable
    {
        foreach (Pattern::cases() as $pattern) {
            foreach ([2, 15, 40] as $cores) {
                yield "{$pattern->value}, {$cores} cores" => [$pattern, $cores];
            }
        }
    }

    #[DataProvider('patterns')]
    public function test_every_core_lies_on_usable_ground_whatever_the_pattern(Pattern $pattern, int $cores): void
    {
        foreach (ReferenceData::of('geometry')['usable'] as $row) {
            $boundary = Boundary::fromGeoJson((string) json_encode($row['boundary']));
            $away =
                $row['away'] === null
                    ? KeepAway::nothing()
                    : KeepAway::fromGeoJson(
                        (string) json_encode($row['away']),
                        $boundary->plane,
                        (float) $row['distance_m'],
                    );
            $plan = Placement::draft(self::spec($boundary, $pattern, $cores, $away, (float) $row['edge_m']));
            $ground = Ground::of($boundary->polygons, (float) $row['edge_m'], $away);

            self::assertSame($cores, $plan->cores(), $row['name']);
            foreach ($plan->composites[0] as $core) {
                [$x, $y] = $boundary->plane->toMetres([round($core[0], 7), round($core[1], 7)]);
                self::assertTrue($ground->contains($x, $y), "{$row['name']}: a core lies at {$x}, {$y}");
            }
        }
    }

    #[DataProvider('patterns')]
    public function test_the_same_seed_gives_the_same_points(Pattern $pattern, int $cores): void
    {
        $boundary = self::wedge();

        self::assertSame(
            Placement::draft(self::spec($boundary, $pattern, $cores, seed: 7))->composites,
            Placement::draft(self::spec($boundary, $pattern, $cores, seed: 7))->composites,
        );
    }

    public function test_another_seed_gives_other_random_points(): void
    {
        $boundary = self::wedge();

        self::assertNotEquals(
            Placement::draft(self::spec($boundary, Pattern::Random, 15, seed: 1))->composites,
            Placement::draft(self::spec($boundary, Pattern::Random, 15, seed: 2))->composites,
        );
    }

    public function test_random_cores_favour_no_side(): void
    {
        $boundary = self::square();
        $east = $north = 0;
        for ($seed = 1; $seed <= 100; $seed++) {
            foreach (Placement::draft(self::spec($boundary, Pattern::Random, 20, seed: $seed))->composites[0] as $core) {
                [$x, $y] = $boundary->plane->toMetres($core);
                $east += $x > 0 ? 1 : 0;
                $north += $y > 0 ? 1 : 0;
            }
        }

        self::assertEqualsWithDelta(1000, $east, 3 * sqrt(500));
        self::assertEqualsWithDelta(1000, $north, 3 * sqrt(500));
    }

    public function test_stratified_cores_spread_wider_than_random_ones(): void
    {
        $boundary = self::square();
        $nearest = static function (Pattern $pattern) use ($boundary): float {
            $sum = 0.0;
            for ($seed = 1; $seed <= 20; $seed++) {
                $at = array_map(
                    $boundary->plane->toMetres(...),
                    Placement::draft(self::spec($boundary, $pattern, 25, seed: $seed))->composites[0],
                );
                foreach ($at as $i => [$x, $y]) {
                    $others = array_filter($at, static fn (int $k): bool => $k !== $i, ARRAY_FILTER_USE_KEY);
                    $sum += min([
                        INF,
                        ...array_map(static fn (array $o): float => hypot($o[0] - $x, $o[1] - $y), $others),
                    ]);
                }
            }

            return $sum;
        };

        self::assertGreaterThan($nearest(Pattern::Random) * 1.15, $nearest(Pattern::Stratified));
    }

    public function test_the_walk_of_random_cores_is_shorter_than_their_order_of_drawing(): void
    {
        $boundary = self::square();
        $plan = Placement::draft(self::spec($boundary, Pattern::Random, 30));
        $at = array_map($boundary->plane->toMetres(...), $plan->composites[0]);
        mt_srand(1);
        shuffle($at);

        self::assertLessThan(self::length($at) / 2, $plan->walkM);
    }

    public function test_the_walk_is_the_sum_of_its_legs(): void
    {
        $boundary = self::wedge();
        $plan = Placement::draft(self::spec($boundary, Pattern::Zigzag, 20));

        self::assertEqualsWithDelta(
            self::length(array_map($boundary->plane->toMetres(...), $plan->composites[0])),
            $plan->walkM,
            1e-4,
        );
    }

    public function test_cells_make_a_composite_each_and_slivers_join_their_neighbour(): void
    {
        $boundary = self::square();
        $plan = Placement::draft(
            PlacementSpec::of(
                $boundary,
                KeepAway::nothing(),
                0,
                Pattern::Random,
                8,
                10 * Extent::M2_PER_ACRE,
                [DepthLayer::ofInches(0, 6)],
                Probe::ofDiameterMm(19),
                1,
            ),
        );

        self::assertSame(8 * count($plan->composites), $plan->cores());
        self::assertEqualsWithDelta(160_000 / (10 * Extent::M2_PER_ACRE), count($plan->composites), 2.5);
    }

    /** First principles: 15 cores of 19 mm to 6 in fill 15 · π/4 · 1.9² · 15.24 mL. */
    public function test_each_composite_stays_within_the_outline_of_its_own_ground(): void
    {
        $boundary = self::wedge();
        $cells = PlacementSpec::of(
            $boundary,
            KeepAway::nothing(),
            4.0,
            Pattern::Random,
            12,
            0.4 * Extent::M2_PER_ACRE,
            [DepthLayer::parse('0-6in')],
            Probe::ofDiameterMm(19),
            5,
        );
        foreach ([Placement::draft($cells), Placement::draft($cells->roundTheMiddle())] as $plan) {
            self::assertGreaterThan(3, count($plan->outlines));
            self::assertSame(count($plan->composites), count($plan->outlines));
            foreach ($plan->composites as $i => $cores) {
                foreach ($plan->outlines[$i] as $ring) {
                    self::assertSame($ring[0], $ring[4], 'closed');
                }
                $rings = array_map(static fn (array $ring): Polygon => new Polygon([$ring]), $plan->outlines[$i]);
                foreach ($cores as [$longitude, $latitude]) {
                    self::assertNotSame(
                        [],
                        array_filter($rings, static fn (Polygon $own): bool => $own->contains($longitude, $latitude)),
                        "composite {$i}",
                    );
                }
            }
        }
        self::assertSame(
            [[]],
            Placement::draft(self::spec($boundary, Pattern::W, 10))->outlines,
            'one composite has all of the area',
        );
    }

    public function test_the_volume_of_a_composite(): void
    {
        $plan = Placement::draft(self::spec(self::square(), Pattern::Zigzag, 15));

        self::assertEqualsWithDelta(((15 * M_PI) / 4) * 1.9 ** 2 * 15.24, $plan->volumesMl[0], 1e-9);
    }

    /** @return iterable<string, array{callable(): mixed, string}> */
    public static function refused(): iterable
    {
        yield 'a margin that eats the ground' => [
            static fn () => Placement::draft(self::spec(self::square(), Pattern::Zigzag, 5, edge: 300)),
            'no usable ground is left',
        ];
        yield 'no cores' => [static fn () => self::spec(self::square(), Pattern::Zigzag, 0), 'from 1 to 1000'];
        yield 'a margin below nothing' => [
            static fn () => self::spec(self::square(), Pattern::Zigzag, 5, edge: -1),
            'from 0 to 10000',
        ];
        yield 'a probe of no width' => [static fn () => Probe::ofDiameterMm(0), 'above 0 and up to 300'];
        yield 'a layer upside down' => [static fn () => DepthLayer::parse('6-0in'), 'does not run downwards'];
        yield 'a layer with no unit' => [static fn () => DepthLayer::parse('0-6'), 'is no layer'];
    }

    /** @param callable(): mixed $act */
    #[DataProvider('refused')]
    public function test_it_is_refused_with_the_reason(callable $act, string $words): void
    {
        try {
            $act();
            self::fail('It was accepted.');
        } catch (CoreError $error) {
            self::assertStringContainsString($words, $error->getMessage());
        }
    }

    public function test_the_formats_carry_every_core(): void
    {
        $plan = Placement::draft(self::spec(self::wedge(), Pattern::W, 12));
        $features = PlanFile::geoJson($plan)['features'];

        self::assertIsArray($features);
        self::assertCount(12, $features);
        self::assertCount(13, explode("\n", PlanFile::csv($plan)));
        $gpx = simplexml_load_string(PlanFile::gpx($plan));
        $kml = simplexml_load_string(PlanFile::kml($plan));
        self::assertNotFalse($gpx);
        self::assertNotFalse($kml);
        self::assertCount(12, $gpx->wpt);
        self::assertCount(12, $kml->Document->Placemark);
        self::assertSame(['1-01', '1-12'], [(string) $gpx->wpt[0]->name, (string) $gpx->wpt[11]->name]);
        self::assertSame('1-02', (string) $kml->Document->Placemark[1]->name);
        [$longitude, $latitude] = $plan->composites[0][3];
        self::assertEqualsWithDelta(
            [$latitude, $longitude],
            [(float) $gpx->wpt[3]['lat'], (float) $gpx->wpt[3]['lon']],
            1e-9,
        );
        self::assertSame(
            [number_format($longitude, 9, '.', ''), number_format($latitude, 9, '.', '')],
            explode(',', (string) $kml->Document->Placemark[3]->Point->coordinates),
        );
        self::assertStringStartsWith('1,4,', explode("\n", PlanFile::csv($plan))[4]);
    }

    private static function spec(
        Boundary $boundary,
        Pattern $pattern,
        int $cores,
        ?KeepAway $away = null,
        float $edge = 0,
        int $seed = 1,
    ): PlacementSpec {
        return PlacementSpec::of(
            $boundary,
            $away ?? KeepAway::nothing(),
            $edge,
            $pattern,
            $cores,
            null,
            [DepthLayer::ofInches(0, 6)],
            Probe::ofDiameterMm(19),
            $seed,
        );
    }

    private static function square(): Boundary
    {
        return Boundary::fromGeoJson((string) json_encode(ReferenceData::of('geometry')['areas'][1]['geometry']));
    }

    private static function wedge(): Boundary
    {
        return Boundary::fromGeoJson((string) json_encode(ReferenceData::of('geometry')['areas'][4]['geometry']));
    }

    /** @param list<array{float, float}> $at */
    private static function length(array $at): float
    {
        $sum = 0.0;
        foreach (array_slice($at, 1) as $i => [$x, $y]) {
            $sum += hypot($x - $at[$i][0], $y - $at[$i][1]);
        }

        return $sum;
    }
}
