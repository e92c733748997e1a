<?php

declare(strict_types=1);

namespace HonestCore\Tests\Simulation;

use HonestCore\Error\CoreError;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\LocalPlane;
use HonestCore\Sampling\Draw;
use HonestCore\Simulation\CorrelatedField;
use HonestCore\Simulation\FieldModel;
use HonestCore\Simulation\LocatedResults;
use HonestCore\Simulation\NodeGrid;
use HonestCore\Simulation\Variogram;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** The simulated field's variogram against the one asked for. */
#[CoversClass(FieldModel::class)]
#[CoversClass(LocatedResults::class)]
final class CorrelatedFieldTest extends TestCase
{
    public function test_over_many_fields_the_variogram_is_the_one_asked_for(): void
    {
        $grid = self::grid(256);
        foreach ([[0.4, 80.0], [0.3, 250.0]] as [$sd, $range]) {
            $model = FieldModel::of(6.2, $sd, $range);
            $draw = new Draw(9);
            $sums = [];
            for ($f = 0; $f < 120; $f++) {
                $values = CorrelatedField::draw($grid, $model, $draw);
                foreach ([1, 2, 4, 7] as $step) {
                    foreach ($grid->at as $i => [$row, $column]) {
                        $j = array_search([$row, $column + $step], array_slice($grid->at, $i + 1, $step + 1), true);
                        if ($j !== false) {
                            $sums[$step] ??= [0.0, 0];
                            $sums[$step][0] += ($values[$i] - $values[$i + 1 + (int) $j]) ** 2 / 2;
                            $sums[$step][1]++;
                        }
                    }
                }
            }
            foreach ($sums as $step => [$sum, $pairs]) {
                $wanted = $model->semivariance($step * $grid->spacingM);
                self::assertEqualsWithDelta(1.0, $sum / $pairs / $wanted, 0.12, "range {$range}, {$step} steps apart");
            }
        }
    }

    public function test_mean_and_spread_are_those_asked_for(): void
    {
        $grid = self::grid(100);
        $draw = new Draw(10);
        $all = [];
        for ($f = 0; $f < 300; $f++) {
            array_push($all, ...CorrelatedField::draw($grid, FieldModel::of(6.2, 0.4, 60), $draw));
        }
        $mean = array_sum($all) / count($all);
        $variance = array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $all)) / count($all);

        self::assertEqualsWithDelta(6.2, $mean, 0.02);
        self::assertEqualsWithDelta(0.4, sqrt($variance), 0.02);
    }

    public function test_the_same_seed_makes_the_same_field(): void
    {
        $grid = self::grid(100);
        $model = FieldModel::of(6.0, 0.4, 100);

        self::assertSame(
            CorrelatedField::draw($grid, $model, new Draw(4)),
            CorrelatedField::draw($grid, $model, new Draw(4)),
        );
        self::assertNotSame(
            CorrelatedField::draw($grid, $model, new Draw(4)),
            CorrelatedField::draw($grid, $model, new Draw(5)),
        );
    }

    public function test_a_field_without_spread_is_flat(): void
    {
        self::assertSame(
            [6.0],
            array_values(
                array_unique(CorrelatedField::draw(self::grid(64), FieldModel::of(6.0, 0.0, 50), new Draw(1))),
            ),
        );
    }

    public function test_a_model_fitted_to_a_field_comes_back_to_its_range(): void
    {
        $grid = self::grid(400);
        $found = [];
        foreach (range(1, 15) as $seed) {
            $values = CorrelatedField::draw($grid, FieldModel::of(6.1, 0.4, 70), new Draw($seed));
            $found[] = FieldModel::fitted(
                array_map(static fn (int $i): array => [...$grid->place($i), $values[$i]], array_keys($values)),
            );
        }
        $ranges = array_map(static fn (FieldModel $m): float => $m->rangeM, $found);
        sort($ranges);

        self::assertEqualsWithDelta(70, $ranges[7], 30);
        self::assertEqualsWithDelta(
            0.4,
            array_sum(array_map(static fn (FieldModel $m): float => $m->sd, $found)) / 15,
            0.08,
        );
    }

    /** By hand: places 0, 1 and 2 m with values 1, 3, 2: lag about 1 m has ((2² + 1²) / 2) / 2. */
    public function test_a_variogram_by_hand(): void
    {
        $lags = Variogram::of([[0.0, 0.0, 1.0], [1.0, 0.0, 3.0], [2.0, 0.0, 2.0], [4.0, 0.0, 2.0]], 1);

        self::assertSame(2, $lags[0]['pairs']);
        self::assertEqualsWithDelta(1.25, $lags[0]['semivariance'], 1e-12);
        self::assertSame([], Variogram::of([[0.0, 0.0, 1.0], [0.0, 0.0, 2.0]], 4), 'all in one place');
    }

    public function test_located_results_fill_the_ground_by_the_nearest(): void
    {
        $plane = new LocalPlane(-76.281, 42.915);
        [$west, $east] = [$plane->toDegrees([-150.0, 0.0]), $plane->toDegrees([150.0, 0.0])];
        $results = LocatedResults::parse(
            "longitude,latitude,ph\n{$west[0]},{$west[1]},5.5\n{$east[0]},{$east[1]},7.0\n{$east[0]},42.9149,7.0\n",
            $plane,
        );
        $grid = self::grid(400);

        foreach ($results->field($grid) as $i => $value) {
            self::assertSame($grid->place($i)[0] < 0 ? 5.5 : 7.0, $value);
        }
    }

    public function test_bad_results_and_models_are_refused_with_the_place(): void
    {
        $plane = new LocalPlane(0, 0);
        foreach (
            [
                [static fn () => LocatedResults::parse("longitude,latitude,ph\n1,2,x\n", $plane), 'row 2: ph is "x"'],
                [
                    static fn () => LocatedResults::parse("longitude,latitude,ph\n1,2,6\n1,200,6\n1,3,6\n", $plane),
                    'row 3: the position',
                ],
                [
                    static fn () => LocatedResults::parse("longitude,latitude,ph\n1,2,6\n", $plane),
                    '1 results are too few',
                ],
                [static fn () => FieldModel::of(6, -1, 100), 'The spread of the field'],
                [static fn () => FieldModel::of(6, 0.4, 0), 'The range of the field'],
                [static fn () => FieldModel::fitted([[0.0, 0.0, 6.0]]), '10 or more to fit'],
                [static fn () => FieldModel::fitted(array_fill(0, 12, [0.0, 0.0, 6.0])), 'different places'],
            ] as [$act, $words]
        ) {
            try {
                $act();
                self::fail("{$words} was accepted");
            } catch (CoreError $error) {
                self::assertStringContainsString($words, $error->getMessage());
            }
        }
    }

    private static function grid(int $patches): NodeGrid
    {
        $boundary = Boundary::fromGeoJson((string) json_encode(ReferenceData::of('geometry')['areas'][1]['geometry']));

        return NodeGrid::over(Ground::of($boundary->polygons, 0, KeepAway::nothing()), $boundary->areaM2(), $patches);
    }
}
