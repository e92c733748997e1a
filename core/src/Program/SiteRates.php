<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Quantity\AreaRate;
use HonestCore\Quantity\DepthLayer;

/**
 * The rates, extents and depths within sentences, in the units of a site.
 *
 * Quantity and unit: "N lb/acre", "N to M tons/acre", "4 tons an acre", "N lb/100 sq ft", "5 acres", "0-6 in" and "upper 2 in", as
 * the sentences of the tables and the core write them; kg/ha, t/ha, g/m2, ha and cm for a metric site. What is in metric units
 * already stays as it is.
 * Source: exact definitions, as in AreaRate; depths rounded to whole centimetres.
 */
final readonly class SiteRates
{
    private const HA_PER_ACRE = 0.40468564224;

    /** What a person wrote stays as it was written. */
    private const PERSONS = 'override';

    private const NUMBER = '(\d[\d,]*(?:\.\d+)?)';

    private const PATTERNS = [
        'rate' => '#'.self::NUMBER.'(?: to '.self::NUMBER.')? (lb|tons)( [A-Z][A-Z0-9]*)?(/| an )acre\b#',
        'bed' => '#'.self::NUMBER.' lb/100 sq ft#',
        'ground' => '#'.self::NUMBER.' (usable )?acres?\b#',
        'layer' => '#(?<![-\d])(\d{1,2}(?:\.\d)?)(-| to )(\d{1,2}(?:\.\d)?) in\b#',
        'depth' => '#(?<![-.\d])(\d{1,2}(?:\.\d)?) in(?=[,.;:]|$| (?:which|of|deep|is|and|core|layer|=))#',
        'soil' => '#An acre-inch of soil is taken to weigh '.self::NUMBER.' lb#',
        'inch' => '#\btop inch\b#',
    ];

    public function __construct(private bool $isMetric) {}

    public static function of(string $units): self
    {
        return new self($units === 'metric');
    }

    public function inWords(string $sentence): string
    {
        if (! $this->isMetric) {
            return $sentence;
        }
        foreach (self::PATTERNS as $name => $pattern) {
            $sentence = (string) preg_replace_callback($pattern, static fn (array $found): string => self::said($name, $found), $sentence);
        }

        return $sentence;
    }

    /**
     * All sentences of a program, or of a piece of one; its figures stay, and so do the words of a person.
     *
     * @param array<array-key, mixed> $rows
     * @return array<array-key, mixed>
     */
    public function throughout(array $rows): array
    {
        $said = array_map(
            fn (mixed $one, int|string $key): mixed => match (true) {
                $key === self::PERSONS => $one,
                is_string($one) => $this->inWords($one),
                is_array($one) => $this->throughout($one),
                default => $one,
            },
            $rows,
            array_keys($rows),
        );

        return array_combine(array_keys($rows), $said);
    }

    /** @param array<string> $m what a pattern found */
    private static function said(string $name, array $m): string
    {
        $cm = static fn (string $inches): string => (string) round((float) $inches * DepthLayer::CM_PER_INCH);

        return match ($name) {
            'rate' => self::metric($m[1], $m[3]).($m[2] === '' ? '' : ' to '.self::metric($m[2], $m[3])).
                ($m[3] === 'tons' ? ' t' : ' kg').$m[4].($m[5] === '/' ? '/ha' : ' a hectare'),
            'bed' => Words::trim(AreaRate::ofLbPer100SqFt(self::value($m[1]))->kgPerHa() / 10, 1).' g/m2',
            'ground' => Words::trim(self::value($m[1]) * self::HA_PER_ACRE, 2).' '.($m[2] ?? '').'ha',
            'layer' => "{$cm($m[1])}{$m[2]}{$cm($m[3])} cm",
            'depth' => "{$cm($m[1])} cm",
            'soil' => 'A hectare of soil is taken to weigh '.
                Words::trim(AreaRate::ofLbPerAcre(self::value($m[1]))->kgPerHa() / DepthLayer::CM_PER_INCH, 0).' kg for each cm of depth',
            default => 'top '.DepthLayer::CM_PER_INCH.' cm',
        };
    }

    private static function metric(string $figure, string $unit): string
    {
        $value = self::value($figure);

        return $unit === 'tons'
            ? Words::trim(AreaRate::ofLbPerAcre($value * AreaRate::LB_PER_TON)->kgPerHa() / 1000, 2)
            : Words::trim(AreaRate::ofLbPerAcre($value)->kgPerHa(), $value >= 10 ? 0 : 1);
    }

    private static function value(string $figure): float
    {
        return (float) str_replace(',', '', $figure);
    }
}
