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
        public float|false|null $removedEach,
    ) {}

    /**
     * @param array{float, float}|null $ownLimits
     * @param float|false|null $removedEach lb of the oxide in a unit of yield; null for the table's, false where nobody knows
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
        float|false|null $removedEach = null,
    ): self {
        $known = in_array($crop, self::CROPS, true) || ($ownLimits !== null && $removedEach !== null);
        if (! in_array($analyte, ['p', 'k'], true) || ! $known) {
            throw new ValueOutOfRange('no_rate_for_nutrient', ['known' => implode(', ', self::CROPS)]);
        }
        foreach (
            [
                'tested' => $value,
                'yield' => $yield,
                'exchange_capacity' => $cec,
                'rate_at_test_zero' => $x0,
                'critical_level' => $ownLimits[0] ?? null,
                'uncertainty_of_the_test' => $u,
                'removed_each' => $removedEach === false ? null : $removedEach,
            ] as $reason => $number
        ) {
            Bounds::within($reason, $number, 0, INF);
        }
        Bounds::between('number_years', $years, 0, INF);
        if ($ownLimits !== null) {
            [$critical, $limit] = $ownLimits;
            Bounds::within('limit', $limit, $critical, INF, ['critical' => $critical]);
        }
        if ($bySufficiency && $x0 === null) {
            throw new ValueOutOfRange('sufficiency_without_rate_at_zero');
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
            $removedEach,
        );
    }
}
