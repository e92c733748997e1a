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
            throw ValueOutOfRange::of('The lightness L*', $lightness, 'from 0 to 100');
        }
        foreach (['a*' => $a, 'b*' => $b] as $name => $value) {
            if (! (abs($value) <= self::WIDEST)) {
                throw ValueOutOfRange::of($name, $value, 'from -1000 to 1000');
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
