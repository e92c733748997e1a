<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

/**
 * A directed straight line on a local plane.
 *
 * Quantity and unit: metres; positions along the line are counted from its origin.
 */
final readonly class Line
{
    /** @pure */
    private function __construct(public float $x, public float $y, public float $ux, public float $uy) {}

    /** @pure */
    public static function eastward(float $y): self
    {
        return new self(0.0, $y, 1.0, 0.0);
    }

    /** @pure */
    public static function towards(float $x, float $y, float $angle): self
    {
        return new self($x, $y, cos($angle), sin($angle));
    }

    /**
     * Line from one point towards another; eastward when they are one.
     *
     * @param array{float, float} $from
     * @param array{float, float} $to
     *
     * @pure
     */
    public static function through(array $from, array $to): self
    {
        $length = hypot($to[0] - $from[0], $to[1] - $from[1]);

        return $length === 0.0
            ? new self($from[0], $from[1], 1.0, 0.0)
            : new self($from[0], $from[1], ($to[0] - $from[0]) / $length, ($to[1] - $from[1]) / $length);
    }

    /**
     * @return array{float, float} metres along the line and metres to its left
     *
     * @pure
     */
    public function local(float $x, float $y): array
    {
        $dx = $x - $this->x;
        $dy = $y - $this->y;

        return [$dx * $this->ux + $dy * $this->uy, $dy * $this->ux - $dx * $this->uy];
    }

    /**
     * @return array{float, float}
     *
     * @pure
     */
    public function at(float $t): array
    {
        return [$this->x + $t * $this->ux, $this->y + $t * $this->uy];
    }
}
