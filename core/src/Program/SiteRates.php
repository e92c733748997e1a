<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Quantity\AreaRate;

/**
 * The rates and depths within sentences, in the units of a site.
 *
 * Quantity and unit: "N lb/acre", "N to M tons/acre", "4 tons an acre" and "0-6 in", as the sentences of a program write them;
 * kg/ha, t/ha and cm for a metric site. What is in metric units already stays as it is.
 * Source: exact definitions, as in AreaRate; depths rounded to whole centimetres.
 */
final readonly class SiteRates
{
    private const CM_PER_IN = 2.54;

    /** What a person wrote stays as it was written. */
    private const PERSONS = 'override';

    private const NUMBER = '(\d[\d,]*(?:\.\d+)?)';

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
        $rates = (string) preg_replace_callback(
            '#'.self::NUMBER.'(?: to '.self::NUMBER.')? (lb|tons)(/| an )acre\b#',
            static function (array $m): string {
                $span = self::metric($m[1], $m[3]).($m[2] === '' ? '' : ' to '.self::metric($m[2], $m[3]));

                return $span.($m[3] === 'tons' ? ' t' : ' kg').($m[4] === '/' ? '/' : ' a ').($m[4] === '/' ? 'ha' : 'hectare');
            },
            $sentence,
        );

        return (string) preg_replace_callback(
            '#(?<![-\d])(\d{1,2}(?:\.\d)?)-(\d{1,2}(?:\.\d)?) in\b#',
            static fn (array $m): string => round((float) $m[1] * self::CM_PER_IN).'-'.round((float) $m[2] * self::CM_PER_IN).' cm',
            $rates,
        );
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

    private static function metric(string $figure, string $unit): string
    {
        $value = (float) str_replace(',', '', $figure);

        return $unit === 'tons'
            ? Words::trim(AreaRate::ofLbPerAcre($value * AreaRate::LB_PER_TON)->kgPerHa() / 1000, 2)
            : Words::trim(AreaRate::ofLbPerAcre($value)->kgPerHa(), $value >= 10 ? 0 : 1);
    }
}
