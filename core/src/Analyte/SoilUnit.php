<?php

declare(strict_types=1);

namespace HonestCore\Analyte;

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

    private function __construct(public string $code, public string $kind, private float $factor) {}

    /** @return array<string, self> by code */
    private static function all(): array
    {
        /** @var array<string, self>|null $all */
        static $all = null;
        if ($all === null) {
            /** @var array<string, array{kind: string, factor: float|int}> $units */
            $units = RuleTable::named('soil-units')['units'];
            $all = [];
            foreach ($units as $code => $unit) {
                $all[$code] = new self($code, $unit['kind'], (float) $unit['factor']);
            }
        }

        return $all;
    }

    /** @return list<string> */
    public static function codes(): array
    {
        return array_keys(self::all());
    }

    /** @throws ValueOutOfRange for a name that is not understood */
    public static function named(string $name): self
    {
        return self::all()[$name] ??
            (UnitText::read($name)->unit ??
                throw new ValueOutOfRange('no_unit', ['name' => $name, 'known' => implode(', ', self::codes())]));
    }

    /** The unit of a kind with just this factor to the first of its kind, or null. */
    public static function ofFactor(string $kind, float $factor): ?self
    {
        foreach (self::all() as $unit) {
            if ($unit->kind === $kind && abs($unit->factor / $factor - 1) < 1e-9) {
                return $unit;
            }
        }

        return null;
    }

    /** The unit that values of an analyte are compared in, or null for one that the table lacks. */
    public static function home(string $analyte): ?self
    {
        $known = Analytes::find($analyte);

        return $known === null ? null : self::named($known->homeUnit);
    }

    /** The unit as it is written beside a number; empty for pH. */
    public function symbol(): string
    {
        return ['percent' => '%', 'pH' => ''][$this->code] ?? $this->code;
    }

    /** Is the soil measured by a scoop rather than weighed? */
    public function isByVolume(): bool
    {
        return in_array($this->kind, ['volume', 'charge_volume'], true);
    }

    /** Can values of the analyte be given in this unit? */
    public function fits(string $analyte): bool
    {
        $known = Analytes::find($analyte);
        if ($known === null) {
            return false;
        }

        return match (self::named($known->homeUnit)->kind) {
            'ph' => $this->kind === 'ph',
            'conductivity' => $this->kind === 'conductivity',
            'charge' => in_array($this->kind, ['charge', 'charge_volume'], true),
            default => $known->homeUnit === 'percent'
                ? in_array($this->kind, ['mass', 'volume'], true) ||
                    ($known->group === 'organic' && $this->kind === 'area')
                : in_array($this->kind, ['mass', 'volume', 'area'], true) ||
                    ($known->charge !== null && in_array($this->kind, ['charge', 'charge_volume'], true)),
        };
    }

    /**
     * A reported value in the home unit of its analyte.
     *
     * Quantity and unit: as reported in, home unit out.
     * Domain: pounds or kilograms on an area need the depth of the sample; kilograms a hectare its bulk density too
     *   (g/cm3), for which 1.32 is the usual one that pounds an acre rest on. A volume of soil is taken at 1 kg a
     * litre.
     *
     * @param string $form what the figure is of, as P2O5 where a lab reports the oxide; empty for the analyte itself
     *
     * @throws ValueOutOfRange when it cannot be turned
     */
    public static function toHome(
        string $analyte,
        float $value,
        self $from,
        string $form = '',
        ?float $depthCm = null,
        ?float $bulkDensity = null,
    ): float {
        $known = Analytes::get($analyte);
        if (! is_finite($value)) {
            throw new ValueOutOfRange('reported_value', ['value' => $value]);
        }
        if (! $from->fits($analyte)) {
            throw new ValueOutOfRange('unit_of_another_kind', [
                'analyte' => $analyte,
                'from_code' => $from->code,
                'home_unit' => $known->homeUnit,
            ]);
        }
        $scooped = $from->isByVolume() ? self::scooped() : 1.0;
        $home = self::named($known->homeUnit);
        if ($home->kind === 'ph' || $home->kind === 'conductivity' || $home->kind === 'charge') {
            return ($value * $from->factor) / $scooped / $home->factor;
        }
        $ppm = match ($from->kind) {
            'area' => $value / self::areaPerPpm($from->code, $depthCm, $bulkDensity),
            'charge', 'charge_volume' => ((($value * $from->factor) / $scooped) * 10 * Formula::mass($known->element)) /
                (int) $known->charge,
            default => ($value * $from->factor) / $scooped,
        };

        return $ppm / self::perAnalyte($known, $form) / $home->factor;
    }

    private static function scooped(): float
    {
        /** @var array{scooped_kg_per_litre: float|int} $table */
        $table = RuleTable::named('soil-units');

        return (float) $table['scooped_kg_per_litre'];
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
            throw new ValueOutOfRange('needs_depth_sample', ['unit' => $unit]);
        }
        if ($bulkDensity !== null && ! ($bulkDensity >= 0.05 && $bulkDensity <= 2.65)) {
            throw new ValueOutOfRange('bulk_density', [
                'value' => $bulkDensity,
                'low' => 0.05,
                'high' => 2.65,
                'unit' => 'g/cm³',
            ]);
        }
        /** @var array{lb_acre_per_ppm_inch: float, usual_bulk_density: float} $table */
        $table = RuleTable::named('soil-units');
        $kgPerHa = $depthCm * ($bulkDensity ?? $table['usual_bulk_density']) * 0.1;
        $lbPerAcre =
            $bulkDensity === null
                ? ($table['lb_acre_per_ppm_inch'] * $depthCm) / self::CM_PER_INCH
                : (($kgPerHa / self::KG_PER_LB) * self::M2_PER_ACRE) / 10_000;

        return match ($unit) {
            'kg/ha' => $kgPerHa,
            'g/m2' => $kgPerHa / 10,
            'lb/acre' => $lbPerAcre,
            'lb/1000ft2' => ($lbPerAcre * 1000) / self::FT2_PER_ACRE,
            'lb/100ft2' => ($lbPerAcre * 100) / self::FT2_PER_ACRE,
            default => throw new ValueOutOfRange('no_mass_on_area', ['unit' => $unit]),
        };
    }

    /**
     * Parts of what was reported for each part of the analyte: 2.2914 for P2O5.
     *
     * @throws ValueOutOfRange for a form the analyte has not
     */
    private static function perAnalyte(Analyte $analyte, string $form): float
    {
        if ($form === '' || strcasecmp($form, $analyte->code) === 0 || $form === $analyte->element) {
            return 1.0;
        }
        if (! in_array($form, $analyte->forms, true)) {
            throw new ValueOutOfRange('no_form', [
                'form' => $form,
                'analyte_code' => $analyte->code,
                'known' => implode(', ', $analyte->forms),
            ]);
        }
        /** @var array{om_per_oc: float} $table */
        $table = RuleTable::named('soil-units');

        return match ($form) {
            'OC' => 1 / $table['om_per_oc'],
            'OM', 'NO3-N', 'NH4-N', 'SO4-S' => 1.0,
            default => Formula::perElement($form, $analyte->element),
        };
    }
}
