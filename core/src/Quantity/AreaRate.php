<?php

declare(strict_types=1);

namespace HonestCore\Quantity;

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

    private function __construct(public float $lbPerAcre) {}

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
