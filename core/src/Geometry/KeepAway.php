<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\BadBoundary;

/**
 * Ground to keep away from: everything within a distance of points, lines and polygons, and the polygons.
 *
 * Quantity and unit: metres on the boundary's plane.
 */
final readonly class KeepAway
{
    /**
     * @param list<Capsule> $capsules
     * @param list<Polygon> $polygons
     */
    private function __construct(public array $capsules, public array $polygons) {}

    public static function nothing(): self
    {
        return new self([], []);
    }

    /**
     * @param float $reachM distance to keep, 0 or more; a line or point with 0 keeps nothing away
     *
     * @throws BadBoundary
     */
    public static function fromGeoJson(string $text, LocalPlane $plane, float $reachM): self
    {
        [$capsules, $polygons] = [[], []];
        foreach (GeoJson::geometries($text) as ['place' => $place, 'type' => $type, 'coordinates' => $coordinates]) {
            foreach (self::lines($place, $type, $coordinates) as $line) {
                $points = array_map($plane->toMetres(...), $line);
                foreach ($points as $i => [$x, $y]) {
                    if ($i > 0 || count($points) === 1) {
                        [$ax, $ay] = $points[max(0, $i - 1)];
                        $capsules[] = new Capsule($ax, $ay, $x, $y, $reachM);
                    }
                }
            }
            if ($type !== 'Polygon' && $type !== 'MultiPolygon') {
                continue;
            }
            foreach ($type === 'Polygon' ? [$coordinates] : $coordinates as $rings) {
                $polygon = new Polygon(
                    array_map(
                        static fn (array $ring): array => array_map($plane->toMetres(...), $ring),
                        GeoJson::rings($place, $rings),
                    ),
                );
                $polygons[] = $polygon;
                array_push($capsules, ...$polygon->rim($reachM));
            }
        }

        return new self($capsules, $polygons);
    }

    public function and(self $other): self
    {
        return new self([...$this->capsules, ...$other->capsules], [...$this->polygons, ...$other->polygons]);
    }

    /** The same with a little more distance; what kept nothing away still does. */
    public function widened(float $metres): self
    {
        return new self(
            array_map(
                static fn (Capsule $c): Capsule => $c->reach > 0
                    ? new Capsule($c->ax, $c->ay, $c->bx, $c->by, $c->reach + $metres)
                    : $c,
                $this->capsules,
            ),
            $this->polygons,
        );
    }

    /**
     * @param array<mixed> $coordinates
     * @return list<non-empty-list<array{float, float}>>
     *
     * @throws BadBoundary
     */
    private static function lines(string $place, string $type, array $coordinates): array
    {
        $lines = match ($type) {
            'Point' => [[$coordinates]],
            'MultiPoint' => array_map(static fn (mixed $position): array => [$position], $coordinates),
            'LineString' => [$coordinates],
            'MultiLineString' => $coordinates,
            default => [],
        };
        $checked = [];
        foreach ($lines as $line) {
            $positions = GeoJson::positions($place, $line);
            if ($positions === [] || (count($positions) < 2 && str_contains($type, 'Line'))) {
                throw new BadBoundary('line_fewer_than_2_positions', ['place' => $place]);
            }
            $checked[] = $positions;
        }

        return $checked;
    }
}
