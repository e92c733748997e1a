<?php

declare(strict_types=1);

namespace HonestCore\Tests\Table;

use HonestCore\Table\ChangedTable;
use HonestCore\Table\MetricFigure;
use PHPUnit\Framework\TestCase;

final class MetricFigureTest extends TestCase
{
    private static function of(string $path): MetricFigure
    {
        return MetricFigure::of($path, ChangedTable::label($path));
    }

    /** By hand: 0.35 lb of P2O5 in a bushel of 56 lb are 6.25 kg in a tonne; 49 lb in a ton of 2,000 lb are 24.5. */
    public function test_figures_are_turned_by_what_they_are(): void
    {
        foreach ([
            ['removal.corn.0', 0.35, 6.25, 'removal by a unit of yield, corn, P2O5, kg a tonne'],
            ['removal.alfalfa.1', 49.0, 24.5, 'removal by a unit of yield, alfalfa, K2O, kg a tonne'],
            ['build_p', 20.0, 22.417, 'kg/ha P2O5 a ppm'],
            ['crops.corn.nitrogen.need', 150.0, 168.128, 'corn, nitrogen, need, kg N/ha'],
            ['crops.corn.yield.usual', 160.0, 10.0428, 'corn, yield, usual, t/ha'],
            ['dressing_tons_per_acre', 4.0, 8.96681, 'most in one dressing, t/ha'],
            ['rows.0.1', 1.4, 3.13838, 'SMP buffer pH 6.8, to pH 7.0, t/ha'],
            ['table.1.1', 0.4, 19.5297, 'table: pH, g/m2 on sand, on loam, row 2, row 2'],
            ['table.1.0', 5.0, 5.0, 'table: pH, g/m2 on sand, on loam, row 2, row 1'],
            ['layer_bottom_in.1', 9.0, 22.86, 'bottom of the layer, cm, to'],
            ['psnt_critical', 25.0, 25.0, 'critical nitrate, ppm NO3-N'],
        ] as [$path, $shipped, $metric, $label]) {
            $figure = self::of($path);
            self::assertSame($label, $figure->label);
            self::assertEqualsWithDelta($metric, $shipped * $figure->by, 1e-3, $path);
        }
    }

    public function test_no_figure_of_any_table_keeps_a_unit_of_the_other_system(): void
    {
        foreach (array_keys(ChangedTable::REPLACEABLE) as $name) {
            foreach (array_keys(ChangedTable::figures($name)) as $path) {
                $label = self::of((string) $path)->label;
                self::assertDoesNotMatchRegularExpression('#\blb\b|acre|, in\b|tons|sq ft#', $label, (string) $path);
            }
        }
    }
}
