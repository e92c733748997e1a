<?php

declare(strict_types=1);

namespace HonestCore\Colour;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * Which swatch of a card the colour of a tube is nearest to, on one photo, and how safe that is.
 *
 * Quantity and unit: CIEDE2000 differences, no unit.
 * Domain: 2 swatches or more and a white spot on the same photo, neither burnt out nor dark.
 * Source: Sharma, Wu & Dalal 2005 for the difference; the rules are those of data/colour-match.json.
 */
final readonly class ColourMatch
{
    /**
     * @param non-empty-list<array{name: string, difference: float}> $swatches nearest first
     * @param string $safety clear, close (between the two nearest) or none (no swatch is near)
     */
    private function __construct(
        public array $swatches,
        public float $margin,
        public float $unevenness,
        public string $safety,
        public string $words,
    ) {}

    /**
     * @param list<Patch> $swatches
     *
     * @throws ValueOutOfRange
     */
    public static function of(Patch $tube, Patch $white, array $swatches): self
    {
        if (count($swatches) < 2) {
            throw new ValueOutOfRange('number_swatches', ['value' => count($swatches), 'low' => 2]);
        }
        /**
         * @var array{no_match: float, least_margin: float, margin_by_unevenness: float, white_least: float,
         * white_most: float, white_cast: float} $table
         */
        $table = RuleTable::named('colour-match');
        self::checkWhite($white, $table);
        $colour = $tube->under($white);
        $found = [];
        $uneven = [];
        foreach ($swatches as $swatch) {
            $found[] = ['name' => $swatch->name, 'difference' => Ciede2000::between($colour, $swatch->under($white))];
            $uneven[$swatch->name] = $swatch->unevenness($white);
        }
        usort($found, static fn (array $a, array $b): int => $a['difference'] <=> $b['difference']);
        $margin = $found[1]['difference'] - $found[0]['difference'];
        $unevenness = hypot($tube->unevenness($white), max($uneven[$found[0]['name']], $uneven[$found[1]['name']]));
        $safety = match (true) {
            $found[0]['difference'] > $table['no_match'] => 'none',
            $margin < max($table['least_margin'], $table['margin_by_unevenness'] * $unevenness) => 'close',
            default => 'clear',
        };

        return new self($found, $margin, $unevenness, $safety, self::words($found, $safety));
    }

    /**
     * @param array{white_least: float, white_most: float, white_cast: float} $table
     *
     * @throws ValueOutOfRange
     */
    private static function checkWhite(Patch $white, array $table): void
    {
        $reason = match (true) {
            $white->clipped > 0.05 || max($white->light) > $table['white_most'] => 'white_spot_burnt_out',
            min($white->light) < $table['white_least'] => 'white_spot_dark',
            max($white->light) > $table['white_cast'] * min($white->light) => 'white_spot_coloured',
            default => null,
        };
        if ($reason !== null) {
            throw new ValueOutOfRange($reason);
        }
    }

    /** @param non-empty-list<array{name: string, difference: float}> $found */
    private static function words(array $found, string $safety): string
    {
        [$near, $next] = array_map(
            static fn (array $one): string => "{$one['name']} (".number_format($one['difference'], 1).' away)',
            array_slice($found, 0, 2),
        );

        return match ($safety) {
            'clear' => "{$near}, clearly nearer than {$next}.",
            'close' => "{$near}, hardly nearer than {$next}: take it as between the two, or look yourself.",
            default => "No swatch is near; the nearest is {$near}. Look whether tube and swatches were picked right.",
        };
    }
}
