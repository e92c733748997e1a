<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\BadBoundary;

/**
 * Does ground come near to something that is drawn?
 *
 * Quantity and unit: metres on the plane of the ground.
 * Accuracy: its rim is looked at every few metres.
 */
final class Nearness
{
    private const STEP_M = 4.0;

    /**
     * @param array<string, mixed> $boundary GeoJSON
     * @param array<string, mixed> $thing GeoJSON
     *
     * @throws BadBoundary
     */
    public static function within(array $boundary, array $thing, float $metres): bool
    {
        $ground = Boundary::fromGeoJson(json_encode($boundary, JSON_THROW_ON_ERROR));
        $reach = KeepAway::fromGeoJson(json_encode($thing, JSON_THROW_ON_ERROR), $ground->plane, $metres);
        foreach ($ground->polygons as $polygon) {
            foreach (self::rim($polygon) as [$x, $y]) {
                foreach ($reach->capsules as $capsule) {
                    if ($capsule->contains($x, $y)) {
                        return true;
                    }
                }
            }
            foreach ($reach->capsules as $capsule) {
                if ($polygon->contains($capsule->ax, $capsule->ay)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return \Generator<array{float, float}> */
    private static function rim(Polygon $polygon): \Generator
    {
        $ring = $polygon->rings[0];
        foreach ($ring as $i => [$x, $y]) {
            [$toX, $toY] = $ring[($i + 1) % count($ring)];
            $steps = max(1, (int) ceil(hypot($toX - $x, $toY - $y) / self::STEP_M));
            for ($k = 0; $k < $steps; $k++) {
                yield [$x + ($k / $steps) * ($toX - $x), $y + ($k / $steps) * ($toY - $y)];
            }
        }
    }
}
