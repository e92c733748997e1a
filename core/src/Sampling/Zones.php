<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadBoundary;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\Polygon;

/**
 * Management zones inside a boundary, drawn or brought in: a composite for each polygon of a file.
 *
 * Quantity and unit: metres on the boundary's plane.
 * Domain: zones that do not overlap and do not reach more than a metre over the boundary.
 */
final readonly class Zones
{
    private const OVER_M = 1.0;

    /** @param non-empty-list<non-empty-list<Polygon>> $polygons */
    private function __construct(public array $polygons) {}

    /** @throws BadBoundary */
    public static function fromGeoJson(string $text, Boundary $boundary): self
    {
        $own = Boundary::fromGeoJson($text);
        $inside = Ground::of($boundary->polygons, 0, KeepAway::nothing());
        $zones = [];
        foreach ($own->polygons as $i => $polygon) {
            $rings = array_map(
                static fn (array $ring): array => array_map(
                    static fn (array $p): array => $boundary->plane->toMetres($own->plane->toDegrees($p)),
                    $ring,
                ),
                $polygon->rings,
            );
            $zone = new Polygon($rings);
            foreach ($rings[0] as $k => [$x, $y]) {
                [$nx, $ny] = $rings[0][($k + 1) % count($rings[0])];
                foreach ([[$x, $y], [($x + $nx) / 2, ($y + $ny) / 2]] as $place) {
                    if (! $inside->contains(...$place) && ! self::near($boundary, $place)) {
                        throw new BadBoundary('zone_over_the_boundary', ['zone' => $i + 1]);
                    }
                }
            }
            $zones[] = [$zone];
        }

        return new self($zones);
    }

    /** @param array{float, float} $place */
    private static function near(Boundary $boundary, array $place): bool
    {
        foreach ($boundary->polygons as $polygon) {
            foreach ($polygon->rim(self::OVER_M) as $capsule) {
                if ($capsule->contains(...$place)) {
                    return true;
                }
            }
        }

        return false;
    }
}
