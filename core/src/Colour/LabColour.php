<?php

declare(strict_types=1);

namespace HonestCore\Colour;

use HonestCore\Error\ValueOutOfRange;

/**
 * A colour in CIE 1976 L*a*b*.
 *
 * Domain: lightness 0 to 100; a and b within ± 1000.
 */
final readonly class LabColour
{
    private const WIDEST = 1000.0;

    private function __construct(public float $lightness, public float $a, public float $b) {}

    /** @throws ValueOutOfRange */
    public static function of(float $lightness, float $a, float $b): self
    {
        if (! ($lightness >= 0 && $lightness <= 100)) {
            throw new ValueOutOfRange('lightness_l', ['value' => $lightness, 'low' => 0, 'high' => 100]);
        }
        foreach (['a*' => $a, 'b*' => $b] as $name => $value) {
            if (! (abs($value) <= self::WIDEST)) {
                throw new ValueOutOfRange('colour_axis', [
                    'value' => $value,
                    'low' => -1000,
                    'high' => 1000,
                    'name' => $name,
                ]);
            }
        }

        return new self($lightness, $a, $b);
    }

    /** @pure */
    public function chroma(): float
    {
        return hypot($this->a, $this->b);
    }
}
