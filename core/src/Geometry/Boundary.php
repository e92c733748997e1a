<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\BadBoundary;

/**
 * A checked boundary: polygons on a local plane.
 *
 * Quantity and unit: metres about the middle of the boundary.
 * Domain: rings that are closed, do not touch or cross themselves or each other, lie on the globe and hold
 *   some area; holes lie in their polygon; polygons do not overlap.
 */
final readonly class Boundary
{
    private const LEAST_AREA_M2 = 1e-3;

    /** @param non-empty-list<Polygon> $polygons */
    private function __construct(public LocalPlane $plane, public array $polygons) {}

    /**
     * @param string|null $place what refusals call the geometry, where the text is part of a larger one
     *
     * @throws BadBoundary
     */
    public static function fromGeoJson(string $text, ?string $place = null): self
    {
        $parts = GeoJson::polygons($text, $place ?? 'the geometry');
        $positions = [];
        foreach ($parts as $part) {
            self::checkRings($part['place'], $part['rings']);
            foreach ($part['rings'][0] as $position) {
                $positions[] = $position;
            }
        }
        $plane = LocalPlane::about($positions);
        $polygons = [];
        foreach ($parts as $part) {
            $polygon = new Polygon(
                array_map(static fn (array $ring): array => array_map($plane->toMetres(...), $ring), $part['rings']),
            );
            if ($polygon->area() < self::LEAST_AREA_M2) {
                throw new BadBoundary('no_area', ['place' => $part['place']]);
            }
            $polygons[] = $polygon;
        }
        self::checkOverlap($parts, $polygons);

        return new self($plane, $polygons);
    }

    /**
     * Does a place lie on it?
     *
     * @param array{float, float} $position longitude and latitude
     */
    public function contains(array $position): bool
    {
        [$x, $y] = $this->plane->toMetres($position);
        foreach ($this->polygons as $polygon) {
            if ($polygon->contains($x, $y)) {
                return true;
            }
        }

        return false;
    }

    /** Area in square metres, holes taken off, exact on the ellipsoid but for the bend of long edges. */
    public function areaM2(): float
    {
        return array_sum(array_map(static fn (Polygon $polygon): float => $polygon->area(), $this->polygons));
    }

    /**
     * @param non-empty-list<non-empty-list<array{float, float}>> $rings
     *
     * @throws BadBoundary
     */
    private static function checkRings(string $place, array $rings): void
    {
        foreach ($rings as $i => $ring) {
            $here = $place.($i === 0 ? '' : ", hole {$i}");
            $crossing = RingCheck::selfCrossing($ring);
            if ($crossing !== null) {
                throw new BadBoundary('boundary_crosses_itself', [
                    'place' => $here,
                    'edge' => $crossing[0],
                    'other' => $crossing[1],
                ]);
            }
            if ($i > 0 && (RingCheck::cross($rings[0], $ring) || ! self::inside($rings[0], $ring))) {
                throw new BadBoundary('hole_outside_polygon', ['place' => $here]);
            }
            for ($k = 1; $k < $i; $k++) {
                if (RingCheck::cross($rings[$k], $ring) || self::inside($rings[$k], $ring)) {
                    throw new BadBoundary('overlaps_hole', ['place' => $here, 'hole' => $k]);
                }
            }
        }
    }

    /**
     * @param list<array{place: string, rings: non-empty-list<non-empty-list<array{float, float}>>}> $parts
     * @param non-empty-list<Polygon> $polygons
     *
     * @throws BadBoundary
     */
    private static function checkOverlap(array $parts, array $polygons): void
    {
        foreach ($polygons as $i => $one) {
            for ($k = 0; $k < $i; $k++) {
                $other = $polygons[$k];
                if (! $one->box->meets($other->box->west, $other->box->south, $other->box->east, $other->box->north)) {
                    continue;
                }
                if (
                    RingCheck::cross($one->rings[0], $other->rings[0]) ||
                    self::covers($one, $other) ||
                    self::covers($other, $one)
                ) {
                    throw new BadBoundary('polygons_overlap', [
                        'place' => $parts[$i]['place'],
                        'other' => $parts[$k]['place'],
                    ]);
                }
            }
        }
    }

    /** Is some ground of the one inside the other? Asked of its corners and of its own inner points. */
    private static function covers(Polygon $one, Polygon $other): bool
    {
        $middle = ($other->box->south + $other->box->north) / 2;
        $crossings = $other->crossings(Line::eastward($middle));
        for ($i = 0; $i + 1 < count($crossings); $i += 2) {
            if ($one->contains(($crossings[$i] + $crossings[$i + 1]) / 2, $middle)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Does a ring that does not cross the outer one lie in it? The first corner that is not shared decides.
     *
     * @param non-empty-list<array{float, float}> $outer
     * @param non-empty-list<array{float, float}> $ring
     */
    private static function inside(array $outer, array $ring): bool
    {
        $polygon = new Polygon([$outer]);
        foreach ($ring as $position) {
            if (! in_array($position, $outer, true)) {
                return $polygon->contains($position[0], $position[1]);
            }
        }

        return $polygon->contains(
            array_sum(array_column($ring, 0)) / count($ring),
            array_sum(array_column($ring, 1)) / count($ring),
        );
    }
}
