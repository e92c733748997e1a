<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * A unit of soil reports, and the turning of values into the home unit of an analyte.
 *
 * Source: the table in data/soil-units.json.
 */
final readonly class SoilUnit
{
    private const CM_PER_INCH = 2.54;

    private const KG_PER_LB = 0.45359237;

    private const M2_PER_ACRE = 4046.8564224;

    private const FT2_PER_ACRE = 43_560;

    private function __construct(public string $code, public string $kind) {}

    /** @return array<string, self> by every name in plain letters; the first unit of a name has it */
    private static function byName(): array
    {
        static $all = null;
        if ($all === null) {
            $all = [];
            foreach (self::units() as $code => $unit) {
                foreach ([$code, ...$unit['names']] as $name) {
                    $all[self::plain($name)] ??= new self($code, $unit['kind']);
                }
            }
        }

        return $all;
    }

    /** @throws ValueOutOfRange for a name that the table lacks */
    public static function named(string $name): self
    {
        return self::byName()[self::plain($name)] ?? throw new ValueOutOfRange("\"{$name}\" is no unit of soil reports; accepted are ".implode(', ', array_keys(self::units())).'.');
    }

    /** The unit that values of an analyte are compared in, or null for one that the table lacks. */
    public static function home(string $analyte): ?self
    {
        /** @var array<string, string> $home */
        $home = RuleTable::named('soil-units')['home'];

        return isset($home[$analyte]) ? self::named($home[$analyte]) : null;
    }

    /**
     * A reported value in the home unit of its analyte.
     *
     * Quantity and unit: as reported in, home unit out.
     * Domain: pounds or kilograms on an area need the depth of the sample; kilograms a hectare its bulk density too
     *   (g/cm3), for which 1.32 is the usual one that pounds an acre rest on.
     *
     * @param string $form what the figure is of, as P2O5 where a lab reports the oxide; empty for the analyte itself
     *
     * @throws ValueOutOfRange when it cannot be turned
     */
    public static function toHome(string $analyte, float $value, self $from, string $form = '', ?float $depthCm = null, ?float $bulkDensity = null): float
    {
        $home = self::home($analyte) ?? throw new ValueOutOfRange("\"{$analyte}\" is no analyte with a unit of its own.");
        if (! is_finite($value)) {
            throw ValueOutOfRange::of('A reported value', $value, 'a finite number');
        }
        if ($home->kind === 'ph' || $home->kind === 'conductivity') {
            return $home->kind === $from->kind ? $value * self::conductivity($from->code) : throw self::cannot($analyte, $from);
        }
        if ($home->kind === 'charge') {
            return $from->kind === 'charge' ? $value * ($from->code === 'mmol/kg' ? 0.1 : 1) : throw self::cannot($analyte, $from);
        }
        $ppm = match ($from->kind) {
            'mass' => $value * ['ppm' => 1.0, 'g/kg' => 1e3, 'percent' => 1e4][$from->code],
            'area' => $value / self::areaPerPpm($from->code, $depthCm, $bulkDensity),
            'charge' => $value * ($from->code === 'mmol/kg' ? 0.1 : 1) * self::ppmPerCmol($analyte, $from),
            default => throw self::cannot($analyte, $from),
        };

        return $ppm / self::perAnalyte($analyte, $form) / ($home->code === 'percent' ? 1e4 : 1);
    }

    /**
     * What one ppm weighs on an area to a depth.
     *
     * Quantity and unit: the unit of the area for one ppm.
     *
     * @throws ValueOutOfRange without a depth
     */
    public static function areaPerPpm(string $unit, ?float $depthCm, ?float $bulkDensity): float
    {
        if ($depthCm === null || ! ($depthCm > 0 && $depthCm <= 300)) {
            throw new ValueOutOfRange("{$unit} needs the depth of the sample; accepted is a depth above 0 to 300 cm.");
        }
        if ($bulkDensity !== null && ! ($bulkDensity >= 0.05 && $bulkDensity <= 2.65)) {
            throw ValueOutOfRange::of('The bulk density', $bulkDensity, 'from 0.05 to 2.65', 'g/cm³');
        }
        /** @var array{lb_acre_per_ppm_inch: float, usual_bulk_density: float} $table */
        $table = RuleTable::named('soil-units');
        $kgPerHa = $depthCm * ($bulkDensity ?? $table['usual_bulk_density']) * 0.1;
        $lbPerAcre = $bulkDensity === null ? $table['lb_acre_per_ppm_inch'] * $depthCm / self::CM_PER_INCH : $kgPerHa / self::KG_PER_LB * self::M2_PER_ACRE / 10_000;

        return match ($unit) {
            'kg/ha' => $kgPerHa,
            'lb/acre' => $lbPerAcre,
            'lb/1000ft2' => $lbPerAcre * 1000 / self::FT2_PER_ACRE,
            default => throw new ValueOutOfRange("{$unit} is no mass on an area."),
        };
    }

    /** Parts of what was reported for each part of the analyte: 2.2914 for P2O5. */
    private static function perAnalyte(string $analyte, string $form): float
    {
        if ($form === '' || strcasecmp($form, $analyte) === 0) {
            return 1.0;
        }
        /** @var array{forms: array<string, string>, om_per_oc: float} $table */
        $table = RuleTable::named('soil-units');
        if (($table['forms'][$form] ?? null) !== $analyte) {
            throw new ValueOutOfRange("\"{$form}\" is no form of {$analyte}; accepted are ".implode(', ', array_keys($table['forms'], $analyte, true)).'.');
        }

        return match ($form) {
            'OC' => 1 / $table['om_per_oc'],
            'OM', 'NO3-N', 'NH4-N', 'SO4-S' => 1.0,
            'NO3', 'NH4' => Formula::mass($form) / Formula::mass('N'),
            'SO4' => Formula::mass('SO4') / Formula::mass('S'),
            'PO4' => Formula::mass('PO4') / Formula::mass('P'),
            default => preg_match('/^([A-Z][a-z]?)$/', $form) === 1 ? 1.0 : Formula::perElement($form, ucfirst($analyte)),
        };
    }

    private static function ppmPerCmol(string $analyte, self $from): float
    {
        /** @var array<string, int> $valence */
        $valence = RuleTable::named('soil-units')['valence'];

        return isset($valence[$analyte]) ? 10 * Formula::mass(ucfirst($analyte)) / $valence[$analyte] : throw self::cannot($analyte, $from);
    }

    private static function conductivity(string $code): float
    {
        return ['uS/cm' => 1e-3, 'mS/m' => 1e-2][$code] ?? 1.0;
    }

    private static function cannot(string $analyte, self $from): ValueOutOfRange
    {
        return new ValueOutOfRange("{$analyte} cannot be given in {$from->code}; accepted are units that turn into ".(self::home($analyte)->code ?? 'its own').'.');
    }

    /** @return list<string> every name of a unit that can stand in the name of a column, in small letters */
    public static function names(): array
    {
        static $names = null;

        return $names ??= array_values(array_filter(array_merge(...array_values(array_map(static fn (array $unit): array => array_map(mb_strtolower(...), $unit['names']), self::units()))), static fn (string $name): bool => $name !== '' && ! in_array($name, ['ph', 'none', 'units'], true)));
    }

    private static function plain(string $name): string
    {
        return preg_replace('/\s+/u', '', mb_strtolower(trim($name))) ?? '';
    }

    /** @return array<string, array{kind: string, names: list<string>}> */
    private static function units(): array
    {
        /** @var array<string, array{kind: string, names: list<string>}> $units */
        $units = RuleTable::named('soil-units')['units'];

        return $units;
    }
}
