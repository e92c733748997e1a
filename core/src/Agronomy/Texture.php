<?php

declare(strict_types=1);

namespace HonestCore\Agronomy;

use HonestCore\Error\ValueOutOfRange;

/**
 * Sand, silt and clay of a soil and its texture class.
 *
 * Quantity and unit: percent by mass (of the fine earth), or by volume when read off settled layers.
 * Domain: each 0 or more; a sum that misses 100 by 2 or less is scaled to 100.
 * Source: USDA Soil Survey Manual, chapter 3 (texture triangle).
 */
final readonly class Texture
{
    private const MOST_OFF = 2.0;

    private const EXACT = 1e-9;

    private function __construct(
        public float $sand,
        public float $silt,
        public float $clay,
        public bool $scaled,
        public string $by,
    ) {}

    /** @throws ValueOutOfRange */
    public static function ofPercent(float $sand, float $silt, float $clay): self
    {
        self::check(['sand' => $sand, 'silt' => $silt, 'clay' => $clay]);
        $sum = $sand + $silt + $clay;
        if (abs($sum - 100) > self::MOST_OFF + self::EXACT) {
            throw new ValueOutOfRange('sum_sand_silt_clay', ['value' => round($sum, 6), 'unit' => '%']);
        }

        return self::scaled($sand, $silt, $clay, 'mass');
    }

    /**
     * From the heights of settled layers, in any one unit: shares of volume, not of mass.
     *
     * @throws ValueOutOfRange
     */
    public static function ofLayers(float $sand, float $silt, float $clay): self
    {
        self::check(['sand layer' => $sand, 'silt layer' => $silt, 'clay layer' => $clay]);
        if ($sand + $silt + $clay <= 0) {
            throw new ValueOutOfRange('height_all_layers', ['value' => 0]);
        }

        return self::scaled($sand, $silt, $clay, 'volume');
    }

    /** @pure */
    public function className(): string
    {
        [$sand, $silt, $clay] = [$this->sand, $this->silt, $this->clay];

        return match (true) {
            $silt + 1.5 * $clay < 15 => 'sand',
            $silt + 2 * $clay < 30 => 'loamy sand',
            $clay >= 40 && $silt >= 40 => 'silty clay',
            $clay >= 40 && $sand <= 45 => 'clay',
            $clay >= 35 && $sand > 45 => 'sandy clay',
            $clay >= 27 && $sand <= 20 => 'silty clay loam',
            $clay >= 27 && $sand <= 45 => 'clay loam',
            $clay >= 20 && $silt < 28 && $sand > 45 => 'sandy clay loam',
            $silt >= 80 && $clay < 12 => 'silt',
            $silt >= 50 && $clay < 27 => 'silt loam',
            $clay >= 7 && $silt >= 28 && $sand <= 52 => 'loam',
            default => 'sandy loam',
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'class' => $this->className(),
            'sand' => $this->sand,
            'silt' => $this->silt,
            'clay' => $this->clay,
            'scaled' => $this->scaled,
            'by' => $this->by,
        ];
    }

    private static function scaled(float $sand, float $silt, float $clay, string $by): self
    {
        $sum = $sand + $silt + $clay;
        if (abs($sum - 100) <= self::EXACT) {
            return new self($sand, $silt, $clay, false, $by);
        }

        return new self(($sand / $sum) * 100, ($silt / $sum) * 100, ($clay / $sum) * 100, true, $by);
    }

    /**
     * @param array<string, float> $shares
     *
     * @throws ValueOutOfRange
     */
    private static function check(array $shares): void
    {
        foreach ($shares as $name => $share) {
            if (! is_finite($share) || $share < 0) {
                throw new ValueOutOfRange('fraction_of_texture', ['value' => $share, 'name' => $name]);
            }
        }
    }
}
