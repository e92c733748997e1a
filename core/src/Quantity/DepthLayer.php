<?php

declare(strict_types=1);

namespace HonestCore\Quantity;

use HonestCore\Error\BadOption;
use HonestCore\Error\ValueOutOfRange;

/**
 * A slice of the soil, from top to bottom.
 *
 * Quantity and unit: centimetres below the surface. Domain: 0 <= top < bottom <= 300.
 */
final readonly class DepthLayer
{
    public const CM_PER_INCH = 2.54;

    private const DEEPEST_CM = 300.0;

    /** Nobody pulls to less than this. */
    private const NEAR_CM = 0.5;

    private function __construct(public float $topCm, public float $bottomCm) {}

    /** @throws ValueOutOfRange */
    public static function ofCm(float $top, float $bottom): self
    {
        if (! ($top >= 0 && $bottom > $top && $bottom <= self::DEEPEST_CM)) {
            throw new ValueOutOfRange('depth_layer_upside_down', ['top' => $top, 'bottom' => $bottom]);
        }

        return new self($top, $bottom);
    }

    /** @throws ValueOutOfRange */
    public static function ofInches(float $top, float $bottom): self
    {
        return self::ofCm($top * self::CM_PER_INCH, $bottom * self::CM_PER_INCH);
    }

    /**
     * Reads the notation "0-6in" or "15-30cm".
     *
     * @throws BadOption
     */
    public static function parse(string $notation, string $option = '--depth'): self
    {
        if (preg_match('/^\s*(\d+(?:\.\d+)?)\s*-\s*(\d+(?:\.\d+)?)\s*(cm|in)\s*$/D', $notation, $m) !== 1) {
            throw new BadOption('no_layer', ['place' => $option, 'notation' => $notation]);
        }
        try {
            return $m[3] === 'in'
                ? self::ofInches((float) $m[1], (float) $m[2])
                : self::ofCm((float) $m[1], (float) $m[2]);
        } catch (ValueOutOfRange $error) {
            throw new BadOption('layer_upside_down', ['place' => $option, 'notation' => $notation], $error);
        }
    }

    /** The layer in whole inches that somebody means who measures in centimetres: 0-30 cm for 0-12 in. Itself where none is near. */
    public function inWholeInches(): self
    {
        $top = round($this->topCm / self::CM_PER_INCH);
        $bottom = round($this->bottomCm / self::CM_PER_INCH);
        $isNear = $bottom > $top && abs($top * self::CM_PER_INCH - $this->topCm) <= self::NEAR_CM &&
            abs($bottom * self::CM_PER_INCH - $this->bottomCm) <= self::NEAR_CM;

        return $isNear ? self::ofInches($top, $bottom) : $this;
    }

    /** The layer in the notation that parse() reads. */
    public function notation(): string
    {
        return str_replace(' ', '', $this->text());
    }

    /** The layer in words, in inches where its bounds are whole inches. */
    public function text(): string
    {
        $inches = [$this->topCm / self::CM_PER_INCH, $this->bottomCm / self::CM_PER_INCH];
        $whole = array_filter($inches, static fn (float $v): bool => abs($v - round($v)) < 1e-6);

        return count($whole) === 2
            ? sprintf('%d-%d in', round($inches[0]), round($inches[1]))
            : sprintf('%s-%s cm', round($this->topCm, 1), round($this->bottomCm, 1));
    }

    /** @pure */
    public function thicknessCm(): float
    {
        return $this->bottomCm - $this->topCm;
    }
}
