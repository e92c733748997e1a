<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

/**
 * The straight way from one place to the next.
 *
 * Quantity and unit: metres; bearing in degrees clockwise from north, 0 up to 360; null when the places are one.
 * Domain: places some kilometres apart at most.
 * Source: first principles, on the local plane about the two places.
 */
final readonly class Leg
{
    private function __construct(public float $metres, public ?float $bearing) {}

    /**
     * @param array{float, float} $from longitude and latitude, degrees
     * @param array{float, float} $to
     */
    public static function between(array $from, array $to): self
    {
        $plane = LocalPlane::about([$from, $to]);
        [$ax, $ay] = $plane->toMetres($from);
        [$bx, $by] = $plane->toMetres($to);
        $metres = hypot($bx - $ax, $by - $ay);
        $bearing = $metres > 0 ? fmod(rad2deg(atan2($bx - $ax, $by - $ay)) + 360, 360) : null;

        return new self($metres, $bearing);
    }
}
