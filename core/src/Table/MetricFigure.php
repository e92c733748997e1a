<?php

declare(strict_types=1);

namespace HonestCore\Table;

use HonestCore\Quantity\AreaRate;
use HonestCore\Quantity\DepthLayer;

/**
 * A figure of a rule table as ground that is worked in metres and kilograms reads it.
 *
 * Quantity and unit: the name of the figure in kg/ha, t/ha, g/m2, kg a tonne or cm, and how many of that one of the table's own
 * unit is; the table itself stays in its unit.
 * Source: exact definitions as in AreaRate.
 */
final readonly class MetricFigure
{
    private function __construct(public string $label, public float $by) {}

    /** The figure at a path; by is 1 where it has no unit of one system. */
    public static function of(string $path, string $label): self
    {
        $pound = AreaRate::ofLbPerAcre(1.0)->kgPerHa();
        $crop = preg_match('/(?:^|\.)(?:crops|removal)\.([\w-]+)/', $path, $found) === 1 ? $found[1] : '';
        [$from, $to, $by] = match (true) {
            str_contains($label, 'lb/100 sq ft') => [
                '#lb/100 sq ft#', 'g/m2', str_ends_with($path, '.0') ? 1.0 : AreaRate::ofLbPer100SqFt(1.0)->kgPerHa() / 10,
            ],
            preg_match('#lb( N)?/acre#', $label) === 1 => ['#lb( N)?/acre#', 'kg$1/ha', $pound],
            str_contains($label, 'tons/acre') => [
                '#tons/acre#', 't/ha', $pound * AreaRate::LB_PER_TON / 1000,
            ],
            preg_match('/\blb (\S+) a ppm/', $label) === 1 => ['/\blb (\S+) a ppm/', 'kg/ha $1 a ppm', $pound],
            str_contains($label, 'removal') && str_ends_with($label, ', lb') => [
                '/, lb$/', ', kg a tonne', $pound / MetricYield::each($crop),
            ],
            str_contains($label, 'usual, an acre') => ['/usual, an acre/', 'usual, t/ha', MetricYield::each($crop)],
            preg_match('/, in(,|$)/', $label) === 1 => ['/, in(,|$)/', ', cm$1', DepthLayer::CM_PER_INCH],
            default => ['/^$/', '', 1.0],
        };

        return new self((string) preg_replace($from, $to, $label), $by);
    }
}
