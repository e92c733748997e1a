<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Quantity\AreaRate;
use HonestCore\Quantity\Extent;

/**
 * An amount of a product as people measure it out: by area, for the whole ground, in bags and in cups.
 *
 * Quantity and unit: rates in lb an acre, lb for 1,000 and 100 sq ft, kg/ha and g/m2; the whole in lb and kg; bags as
 * they are bought (whole ones) and as they are used; cups level, by the product's own bulk density.
 * Domain: a rate of 0 or more; bags and cups are null where bag or density are not known.
 */
final readonly class MeasuredAmount
{
    private const KG_PER_LB = 0.45359237;

    private const M2_PER_SQ_FT = 0.09290304;

    private function __construct(public ShelfProduct $product, public AreaRate $rate, public Extent $ground) {}

    public static function of(ShelfProduct $product, float $lbPerAcre, Extent $ground): self
    {
        return new self($product, AreaRate::ofLbPerAcre($lbPerAcre), $ground);
    }

    public function pounds(): float
    {
        return $this->rate->lbPerAcre * $this->ground->acres();
    }

    public function bags(): ?float
    {
        return $this->product->bagLb === null ? null : $this->pounds() / $this->product->bagLb;
    }

    /** Whole bags to buy; what is within a hundredth of one is not another. */
    public function bagsToBuy(): ?int
    {
        $bags = $this->bags();

        return $bags === null ? null : (int) ceil($bags - 0.01);
    }

    public function cost(): ?float
    {
        $price = $this->product->pricePerLb();

        return $price === null ? null : $price * $this->pounds();
    }

    /** What goes on a bed or row of so many square metres, in pounds. */
    public function onBed(float $squareMetres): float
    {
        return $this->rate->lbPerAcre * Extent::ofSquareMetres($squareMetres)->acres();
    }

    /** The same in level cups; null where nobody said how heavy it lies. */
    public function cupsOnBed(float $squareMetres): ?float
    {
        $cup = $this->product->lbPerCup();

        return $cup === null ? null : $this->onBed($squareMetres) / $cup;
    }

    /** @return array<string, mixed> */
    public function toArray(?float $bedM2 = null): array
    {
        return [
            ...AreaRate::shown($this->rate->lbPerAcre),
            'lb_per_100sqft' => $this->rate->lbPer100SqFt(),
            'g_per_m2' => $this->rate->kgPerHa() / 10,
            'lb' => $this->pounds(),
            'kg' => $this->pounds() * self::KG_PER_LB,
            'bags' => $this->bags(),
            'bags_to_buy' => $this->bagsToBuy(),
            'cost' => $this->cost(),
            'bed' => $bedM2 === null
                ? null
                : [
                    'sq_ft' => $bedM2 / self::M2_PER_SQ_FT,
                    'm2' => $bedM2,
                    'lb' => $this->onBed($bedM2),
                    'g' => $this->onBed($bedM2) * self::KG_PER_LB * 1000,
                    'cups' => $this->cupsOnBed($bedM2),
                ],
        ];
    }
}
