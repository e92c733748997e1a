<?php

declare(strict_types=1);

namespace HonestCore\Quantity;

use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;

/**
 * A mass on an area, in the units people spread by.
 *
 * Quantity and unit: pounds an acre.
 * Source: exact definitions: 43,560 square feet an acre, 0.45359237 kg a pound, 0.40468564224 ha an acre.
 */
final readonly class AreaRate
{
    public const LB_PER_TON = 2000;

    /** What an acre-inch of soil weighs, in pounds: common practice. */
    public const LB_PER_ACRE_INCH = 300_000;

    private const SQ_FT_PER_ACRE = 43_560;

    private const KG_PER_HA = 0.45359237 / 0.40468564224;

    /** How many lb an acre one of each unit is, which people spread by. */
    public const UNITS = [
        'lb/acre' => 1.0,
        'tons/acre' => 2000.0,
        'lb/1000sqft' => self::SQ_FT_PER_ACRE / 1000,
        'lb/100sqft' => self::SQ_FT_PER_ACRE / 100,
        'kg/ha' => 1 / self::KG_PER_HA,
        't/ha' => 1000 / self::KG_PER_HA,
        'g/m2' => 10 / self::KG_PER_HA,
    ];

    /** More than this in one dressing is a slip of the pen: 100 short tons an acre, or the same in another unit. */
    private const MOST_LB_PER_ACRE = 200_000;

    private function __construct(public float $lbPerAcre) {}

    /**
     * A rate as somebody wrote it.
     *
     * @throws ValueOutOfRange on a unit that is not known, or on an amount below 0 or beyond all practice
     */
    public static function in(float $amount, string $unit): self
    {
        $each = self::UNITS[$unit] ?? null;
        if ($each === null) {
            throw new ValueOutOfRange('unit_of_a_rate', [
                'unit' => mb_substr($unit, 0, 20),
                'known' => implode(', ', array_keys(self::UNITS)),
            ]);
        }
        Bounds::within('rate_spread', $amount, 0, self::MOST_LB_PER_ACRE / $each, ['unit' => $unit]);

        return new self($amount * $each);
    }

    public static function ofLbPerAcre(float $pounds): self
    {
        return new self($pounds);
    }

    public static function ofLbPer100SqFt(float $pounds): self
    {
        return new self(($pounds * self::SQ_FT_PER_ACRE) / 100);
    }

    public function lbPer1000SqFt(): float
    {
        return ($this->lbPerAcre * 1000) / self::SQ_FT_PER_ACRE;
    }

    public function lbPer100SqFt(): float
    {
        return ($this->lbPerAcre * 100) / self::SQ_FT_PER_ACRE;
    }

    public function kgPerHa(): float
    {
        return $this->lbPerAcre * self::KG_PER_HA;
    }

    /**
     * @return array{lb_per_acre: float|null, lb_per_1000sqft: float|null, kg_per_ha: float|null} nulls where there is
     *                                                                                            no rate
     */
    public static function shown(?float $lbPerAcre): array
    {
        $rate = $lbPerAcre === null ? null : new self($lbPerAcre);

        return [
            'lb_per_acre' => $lbPerAcre,
            'lb_per_1000sqft' => $rate?->lbPer1000SqFt(),
            'kg_per_ha' => $rate?->kgPerHa(),
        ];
    }
}
