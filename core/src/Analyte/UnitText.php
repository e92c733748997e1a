<?php

declare(strict_types=1);

namespace HonestCore\Analyte;

use HonestCore\Table\RuleTable;

/**
 * A unit as somebody wrote it: "lbs per acre", "mg P2O5/100 g", "cmol(+) kg⁻¹", "#/A".
 *
 * Domain: spellings with slash, "per", point or blank and negative powers; Greek and micro mu alike. What is not
 *   understood is null, never the nearest unit.
 * Source: SI rules of writing units and common practice of labs; the units are those of data/soil-units.json.
 */
final readonly class UnitText
{
    private const FORMS = 'p2o5|k2o|mgo|cao|caco3|po4|so4-s|so4|s-so4|no3-n|n-no3|no3|nh4-n|n-nh4|nh4|oc|om|ca|mg|na|'.
        'zn|mn|cu|fe|pb|as|p|k|s|b|n|c';

    private const SEPARATOR = '\s*(?:\/|\bper\b|\.|\s)\s*';

    /** @param bool $plainMoles moles, not said to be moles of charge */
    private function __construct(public SoilUnit $unit, public string $form = '', public bool $plainMoles = false) {}

    public static function read(string $text): ?self
    {
        /** @var array<string, self|null> $known */
        static $known = [];
        if (array_key_exists($text, $known)) {
            return $known[$text];
        }
        $known = count($known) > 2000 ? [] : $known;

        return $known[$text] = self::understand($text);
    }

    private static function understand(string $text): ?self
    {
        $plain = self::tidy($text);
        $read = self::mass($plain) ?? (self::charge($plain) ?? self::conductivity($plain));
        if ($read !== null) {
            return $read;
        }
        $named = self::names()[$plain] ?? null;
        if ($named !== null) {
            return new self(SoilUnit::named($named));
        }
        if (
            preg_match('/^(ppm|ppb|%)\s*(?:as\s+)?('.self::FORMS.')$/', $plain, $m) === 1 ||
            preg_match('/^(?<f>'.self::FORMS.')\s*(?<u>ppm|ppb|%)$/', $plain, $m) === 1
        ) {
            return new self(SoilUnit::named($m['u'] ?? $m[1]), self::form($m['f'] ?? $m[2]));
        }

        return null;
    }

    /** Small letters, one kind of slash, no words that say nothing of the unit, denominators without their power. */
    private static function tidy(string $text): string
    {
        $plain = Fold::lower($text);
        $plain = (string) preg_replace('/\b(dm|m|cm)\s*\^?-\s*([23])\b/', '/$1$2', $plain);
        $plain = (string) preg_replace(
            '/\b(dry matter|dry soil|dry weight|dry basis|of soil|soil|boden|sol|suelo|d\.?m\.?|dw|ts|tm|ms '.
                'sec|air[- ]dry|ofendry|oven[- ]dry)\b\.?/',
            ' ',
            $plain,
        );
        $plain = (string) preg_replace('/\s*(\^\s*)?-\s*1\b/', '-1', $plain);
        $plain = (string) preg_replace(
            '/\b(kg|100 ?g|1000 ?g|g|l|dm3|dm|ml|acre|ac|ha|m2|m3|cm|m)(3)?-1/',
            '/$1$2',
            $plain,
        );
        $plain = (string) preg_replace('/[\s.]*\/\s*/', '/', $plain);

        return trim($plain, ' .;:,_');
    }

    private static function mass(string $plain): ?self
    {
        $forms = self::FORMS;
        $soil =
            '100\s*(?:g|ml|cc|cm3)|1000\s*g|kg|g|litre|liter|l|dm3|ml|cc|cm3|m3|acres?|ac|a|hectares?|ha|hectare|1,'.
                '?000\s*(?:sq\.?\s*f(?:ee)?t|square\s*feet|sqft|ft2|sq\.?\s*ft\.?)|100\s*(?:sq\.?\s*f(?:ee)?t|'.
                    'square\s*feet|sqft|ft2)|m2|sq\.?\s*m|square\s*met(?:er|re)s?';
        if (
            preg_match(
                "/^(?<n>mg|mcg|ug|ng|kg|g|lbs?\\.?|pounds?|kilograms?|#)\\s*(?:of\\s+)?(?<f>{$forms})?".
                    self::SEPARATOR.
                    "(?<d>{$soil})\\.?\\s*(?:as\\s+)?(?<g>{$forms})?$/",
                $plain,
                $m,
            ) !== 1
        ) {
            return null;
        }
        $form = self::form($m['f'] !== '' ? $m['f'] : $m['g'] ?? '');
        $below = (string) preg_replace('/[\s.,]/', '', $m['d']);
        $milligrams =
            [
                'mg' => 1.0,
                'mcg' => 1e-3,
                'ug' => 1e-3,
                'ng' => 1e-6,
                'g' => 1e3,
                'kg' => 1e6,
                'kilogram' => 1e6,
                'kilograms' => 1e6,
            ][$m['n']] ?? null;

        return $milligrams === null ? self::poundsOn($below, $form) : self::gramsIn($milligrams, $below, $form);
    }

    /** Pounds on an area; pounds in anything else are none of a soil's units. */
    private static function poundsOn(string $below, string $form): ?self
    {
        $code = match (true) {
            in_array($below, ['acre', 'acres', 'ac', 'a'], true) => 'lb/acre',
            str_starts_with($below, '1000') && $below !== '1000g' => 'lb/1000ft2',
            str_starts_with($below, '100') && ! in_array($below, ['100g', '100ml', '100cc', '100cm3'], true)
                => 'lb/100ft2',
            default => null,
        };

        return $code === null ? null : new self(SoilUnit::named($code), $form);
    }

    /** A metric mass on an area, in a mass or in a volume of soil. */
    private static function gramsIn(float $milligrams, string $below, string $form): ?self
    {
        if (in_array($below, ['ha', 'hectare', 'hectares'], true)) {
            return $milligrams === 1e6 ? new self(SoilUnit::named('kg/ha'), $form) : null;
        }
        if (in_array($below, ['m2', 'sqm'], true) || str_starts_with($below, 'squaremet')) {
            return $milligrams === 1e3 ? new self(SoilUnit::named('g/m2'), $form) : null;
        }
        $perKilogram = ['kg' => 1.0, '100g' => 10.0, '1000g' => 1.0, 'g' => 1e3][$below] ?? null;
        $perLitre =
            [
                'l' => 1.0,
                'litre' => 1.0,
                'liter' => 1.0,
                'dm3' => 1.0,
                'ml' => 1e3,
                'cc' => 1e3,
                'cm3' => 1e3,
                '100ml' => 10.0,
                '100cc' => 10.0,
                '100cm3' => 10.0,
                'm3' => 1e-3,
            ][$below] ?? null;
        $unit =
            $perKilogram !== null
                ? SoilUnit::ofFactor('mass', $milligrams * $perKilogram)
                : ($perLitre === null
                    ? null
                    : SoilUnit::ofFactor('volume', $milligrams * $perLitre));

        return $unit === null ? null : new self($unit, $form);
    }

    private static function charge(string $plain): ?self
    {
        $below = '100\s*(?:g|ml|cc|cm3)|1000\s*g|kg|l|litre|liter|dm3';
        if (
            preg_match(
                '/^(?<n>cmol|mmol|meq|mval|me|cmole|mmole)(?<c>\s*\(?\s*(?:c|\+|eq|ch)\s*\)?\s*\+?)?'.
                    self::SEPARATOR.
                    "(?<d>{$below})$/",
                $plain,
                $m,
            ) !== 1
        ) {
            return null;
        }
        $denominator = (string) preg_replace('/\s/', '', $m['d']);
        $cmol =
            (['cmol' => 1.0, 'cmole' => 1.0][$m['n']] ?? 0.1) *
            (str_starts_with($denominator, '100') && $denominator !== '1000g' ? 10 : 1);
        $unit = SoilUnit::ofFactor(
            preg_match('/^(kg|100g|1000g)$/', $denominator) === 1 ? 'charge' : 'charge_volume',
            $cmol,
        );

        return $unit === null ? null : new self($unit, '', str_starts_with($m['n'], 'mmol') && trim($m['c']) === '');
    }

    private static function conductivity(string $plain): ?self
    {
        if (preg_match('/^(?<n>ds|ms|us|s|mmhos?|umhos?|mhos?)'.self::SEPARATOR.'(?<d>cm|m)$/', $plain, $m) !== 1) {
            return null;
        }
        $siemens = [
            'ds' => 0.1,
            'ms' => 1e-3,
            'us' => 1e-6,
            's' => 1.0,
            'mmho' => 1e-3,
            'mmhos' => 1e-3,
            'umho' => 1e-6,
            'umhos' => 1e-6,
            'mho' => 1.0,
            'mhos' => 1.0,
        ][$m['n']];
        $unit = SoilUnit::ofFactor('conductivity', $siemens * ($m['d'] === 'cm' ? 1000 : 10));

        return $unit === null ? null : new self($unit);
    }

    private static function form(string $text): string
    {
        return match ($text) {
            '' => '',
            's-so4' => 'SO4-S',
            'n-no3' => 'NO3-N',
            'n-nh4' => 'NH4-N',
            'mgo' => 'MgO',
            'cao' => 'CaO',
            'caco3' => 'CaCO3',
            'ca', 'mg', 'na', 'zn', 'mn', 'cu', 'fe', 'pb', 'as' => ucfirst($text),
            default => strtoupper($text),
        };
    }

    /** @return array<string, string> code by name */
    private static function names(): array
    {
        /** @var array<string, string>|null $names */
        static $names = null;
        if ($names === null) {
            /** @var array<string, array{names: list<string>}> $units */
            $units = RuleTable::named('soil-units')['units'];
            $names = [];
            foreach ($units as $code => $unit) {
                foreach ([strtolower($code), ...$unit['names']] as $name) {
                    $names[self::tidy($name)] ??= $code;
                }
            }
        }

        return $names;
    }
}
