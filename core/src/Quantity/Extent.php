<?php

declare(strict_types=1);

namespace HonestCore\Quantity;

use HonestCore\Error\ValueOutOfRange;

/**
 * An area.
 *
 * Quantity and unit: square metres; 4046.8564224 m² an acre (0.3048 m a foot, 43,560 square feet an acre).
 */
final readonly class Extent
{
    public const M2_PER_ACRE = 4046.8564224;

    private const M2_PER_HECTARE = 10_000.0;

    private function __construct(public float $squareMetres) {}

    /** @throws ValueOutOfRange */
    public static function ofSquareMetres(float $value): self
    {
        return is_finite($value) && $value >= 0
            ? new self($value)
            : throw new ValueOutOfRange('area', ['value' => $value, 'low' => 0, 'unit' => 'm²']);
    }

    /** @pure */
    public function acres(): float
    {
        return $this->squareMetres / self::M2_PER_ACRE;
    }

    /** @pure */
    public function hectares(): float
    {
        return $this->squareMetres / self::M2_PER_HECTARE;
    }
}
