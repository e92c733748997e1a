<?php

declare(strict_types=1);

namespace HonestCore\Amounts;

use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;

/**
 * What a rate of phosphate or potash is asked from.
 *
 * Quantity and unit: the test in ppm of the element; yield in bushels, of alfalfa tons, an acre; CEC in cmol/kg; own
 * limits and the
 *   standard uncertainty in ppm; `x0` in lb of the oxide an acre at test zero.
 * Domain: none below 0; years above 0; own limits ascending, both or neither.
 */
final readonly class NutrientQuestion
{
    public const CROPS = ['corn', 'soybean', 'wheat', 'alfalfa'];

    /** @param array{float, float}|null $ownLimits */
    private function __construct(
        public string $analyte,
        public float $value,
        public string $crop,
        public string $extractant,
        public ?float $yield,
        public ?float $cec,
        public bool $bySufficiency,
        public float $years,
        public ?float $x0,
        public ?array $ownLimits,
        public float $u,
    ) {}

    /**
     * @param array{float, float}|null $ownLimits
     *
     * @throws ValueOutOfRange
     */
    public static function of(
        string $analyte,
        float $value,
        string $crop,
        string $extractant = 'mehlich-3',
        ?float $yield = null,
        ?float $cec = null,
        bool $bySufficiency = false,
        float $years = 4.0,
        ?float $x0 = null,
        ?array $ownLimits = null,
        float $u = 0.0,
    ): self {
        if (! in_array($analyte, ['p', 'k'], true) || ! in_array($crop, self::CROPS, true)) {
            throw new ValueOutOfRange(
                'Rates are known of phosphate and potash for '.
                    implode(', ', self::CROPS).
                    '; accepted are p or k and one of them.',
            );
        }
        foreach (
            [
                'The test' => $value,
                'The yield' => $yield,
                'The exchange capacity' => $cec,
                'The rate at test zero' => $x0,
                'The critical level' => $ownLimits[0] ?? null,
                'The uncertainty' => $u,
            ] as $what => $number
        ) {
            Bounds::within($what, $number, 0, INF, '0 or more');
        }
        Bounds::between('The number of years', $years, 0, INF, 'above 0');
        if ($ownLimits !== null) {
            [$critical, $limit] = $ownLimits;
            Bounds::within('The limit', $limit, $critical, INF, "the critical level of {$critical} or more");
        }
        if ($bySufficiency && $x0 === null) {
            throw new ValueOutOfRange('Sufficiency needs the rate at test zero; accepted is lb/acre, 0 or more.');
        }

        return new self(
            $analyte,
            $value,
            $crop,
            $extractant,
            $yield,
            $cec,
            $bySufficiency,
            $years,
            $x0,
            $ownLimits,
            $u,
        );
    }
}
