<?php

declare(strict_types=1);

namespace HonestCore\Reckoner;

use HonestCore\Agreement\Words;
use HonestCore\Error\BadOption;
use HonestCore\Program\SiteRates;
use HonestCore\Quantity\AreaRate;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\MetricYield;

/**
 * A computation of the command line for ground that is worked in metres and kilograms: what is typed is turned into the units of
 * the command, and what it answers into kg/ha, t/ha, g/m2 and cm.
 *
 * Domain: what is no number stays as it was typed, so that the command refuses it by its own name.
 * Source: exact definitions as in AreaRate; yields as in MetricYield.
 */
final readonly class MetricReckoning
{
    private const MM_PER_IN = 25.4;

    /** Figures whose name says their unit: the metric name, and the unit they are in. */
    private const NAMES = [
        'tons_per_acre' => ['t_per_ha', 'tons/acre'], 'lb_per_acre' => ['kg_per_ha', 'lb/acre'],
        'lb_per_1000sqft' => ['g_per_m2', 'lb/1000sqft'], 'lb_per_100sqft' => ['g_per_m2', 'lb/100sqft'], 'depth_in' => ['depth_cm', 'in'],
        'carbonate_lb_per_acre' => ['carbonate_kg_per_ha', 'lb/acre'],
    ];

    public function __construct(private ReckonerTool $tool) {}

    /**
     * What was typed, in the units of the command.
     *
     * @param array<string, string> $given by field
     * @return array<string, string>
     */
    public function given(array $given): array
    {
        foreach ($this->tool->metricFields() as $name => $unit) {
            $typed = trim($given[$name] ?? '');
            $given[$name] = match (true) {
                $typed === '' => '',
                $unit === 'layer' => self::layer($typed),
                ! is_numeric($typed) => $typed,
                $unit === 'yield' => self::plain((float) $typed / MetricYield::each($given['crop'] ?? '')),
                default => self::plain((float) $typed / self::each($unit)),
            };
        }

        return $given;
    }

    /**
     * What the command answered, under its own names and in metric units; its sentences too.
     *
     * @param array<array-key, mixed> $facts
     * @return array<array-key, mixed>
     */
    public function turned(array $facts, string $within = ''): array
    {
        $turned = [];
        foreach ($facts as $name => $value) {
            $unit = is_int($name) ? $within : self::NAMES[$name][1] ?? $this->tool->metricFacts()[$name] ?? '';
            $turned[$name] = match (true) {
                is_array($value) => $this->turned($value, $unit),
                is_string($value) => (new SiteRates(true))->inWords($value),
                is_float($value), is_int($value) => $unit === '' ? $value : $value * self::each($unit),
                default => $value,
            };
        }

        return $turned;
    }

    /**
     * What the command refused, with the figure as it was typed and what is accepted in the unit that it was typed in.
     *
     * @param array<string, string> $typed by field
     */
    public function refused(string $said, array $typed): string
    {
        $units = $this->tool->metricFields();
        $turned = preg_replace_callback(
            '/^--([a-z0-9-]+): (\S+)( is out of bounds; accepted is )(.+)$/m',
            static function (array $m) use ($units, $typed): string {
                $unit = $units[$m[1]] ?? 'layer';
                if ($unit === 'layer') {
                    return $m[0];
                }
                $each = $unit === 'yield' ? MetricYield::each($typed['crop'] ?? '') : self::each($unit);
                $accepted = preg_replace_callback(
                    '/-?\d+(?:\.\d+)?/',
                    static fn (array $one): string => Words::trim((float) $one[0] * $each, 2),
                    $m[4],
                );

                return "--{$m[1]}: ".trim($typed[$m[1]] ?? $m[2]).$m[3].$accepted;
            },
            $said,
        );

        return (new SiteRates(true))->inWords((string) $turned);
    }

    /**
     * Turned figures under their metric names; each once.
     *
     * @param array<array-key, mixed> $turned
     * @return array<array-key, mixed>
     */
    public function named(array $turned): array
    {
        $named = [];
        foreach ($turned as $name => $value) {
            $to = is_int($name) ? $name : self::NAMES[$name][0] ?? $name;
            $named[$to] ??= is_array($value) ? $this->named($value) : $value;
        }

        return $named;
    }

    /** How many of the metric unit one of a unit is. */
    private static function each(string $unit): float
    {
        $kg = AreaRate::ofLbPerAcre(1.0)->kgPerHa();

        return match ($unit) {
            'in' => DepthLayer::CM_PER_INCH,
            'in_of_water' => self::MM_PER_IN,
            'lb/ton' => 1000 / AreaRate::LB_PER_TON,
            'tons/acre' => $kg * AreaRate::LB_PER_TON / 1000,
            'lb/1000sqft', 'lb/100sqft' => AreaRate::UNITS[$unit] * $kg / 10,
            default => $kg,
        };
    }

    /** A layer that is meant in whole inches; as it was typed where it is none. */
    private static function layer(string $typed): string
    {
        try {
            return DepthLayer::parse($typed)->inWholeInches()->notation();
        } catch (BadOption) {
            return $typed;
        }
    }

    private static function plain(float $value): string
    {
        return str_replace(',', '', Words::trim($value, 10));
    }
}
