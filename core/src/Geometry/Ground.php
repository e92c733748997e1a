<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

/**
 * Ground that may be sampled: inside the polygons, off the rim, off the keep-away, inside the boxes.
 *
 * Quantity and unit: metres on a local plane. No polygon clipping: any straight line is cut exactly into the
 * stretches that are usable, and everything else (area, points, walks) is built from such stretches.
 */
final readonly class Ground
{
    /**
     * @param list<Polygon> $polygons empty when the boxes lie wholly inside
     * @param list<Capsule> $capsules
     * @param list<Polygon> $holes
     * @param list<Box>|null $boxes null for all of it
     */
    private function __construct(
        private array $polygons,
        private array $capsules,
        private array $holes,
        public ?array $boxes,
        public Box $box,
    ) {}

    /** @param non-empty-list<Polygon> $polygons */
    public static function of(array $polygons, float $edgeM, KeepAway $away): self
    {
        $corners = [];
        $capsules = $away->capsules;
        foreach ($polygons as $polygon) {
            $corners[] = [$polygon->box->west, $polygon->box->south];
            $corners[] = [$polygon->box->east, $polygon->box->north];
            if ($edgeM > 0) {
                array_push($capsules, ...$polygon->rim($edgeM));
            }
        }
        $box = Box::around($corners);
        $near = static fn (Capsule $c): bool => $c->reach > 0 && $box->meets($c->west, $c->south, $c->east, $c->north);

        return new self($polygons, array_values(array_filter($capsules, $near)), $away->polygons, null, $box);
    }

    /**
     * The part of the ground in some boxes, with only the obstacles that reach them.
     *
     * @param non-empty-list<Box> $boxes
     */
    public function within(array $boxes): self
    {
        $around = Box::around([
            ...array_map(static fn (Box $b): array => [$b->west, $b->south], $boxes),
            ...array_map(static fn (Box $b): array => [$b->east, $b->north], $boxes),
        ]);
        $capsules = array_filter(
            $this->capsules,
            static fn (Capsule $c): bool => $around->meets($c->west, $c->south, $c->east, $c->north),
        );
        $holes = array_filter(
            $this->holes,
            static fn (Polygon $p): bool => $around->meets($p->box->west, $p->box->south, $p->box->east, $p->box->north),
        );
        $whole =
            count($this->polygons) > 0 &&
            ! $this->rimMeets($around) &&
            $this->inPolygons(($around->west + $around->east) / 2, ($around->south + $around->north) / 2);

        return new self($whole ? [] : $this->polygons, array_values($capsules), array_values($holes), $boxes, $around);
    }

    public function contains(float $x, float $y): bool
    {
        if (! $this->inBoxes($x, $y) || ($this->polygons !== [] && ! $this->inPolygons($x, $y))) {
            return false;
        }
        foreach ($this->capsules as $capsule) {
            if ($capsule->contains($x, $y)) {
                return false;
            }
        }
        foreach ($this->holes as $hole) {
            if ($hole->contains($x, $y)) {
                return false;
            }
        }

        return true;
    }

    /**
     * The usable stretches of a line, in metres along it.
     *
     * @return list<array{float, float}>
     */
    public function onLine(Line $line): array
    {
        $stretches = $this->polygons === [] ? [[-INF, INF]] : self::insides($this->polygons, $line);
        if ($this->boxes !== null) {
            $inBoxes = array_filter(array_map(static fn (Box $box): ?array => $box->onLine($line), $this->boxes));
            $stretches = Intervals::both($stretches, Intervals::union(array_values($inBoxes)));
        }
        if ($stretches === []) {
            return [];
        }
        $taken = $this->holes === [] ? [] : self::insides($this->holes, $line);
        foreach ($this->capsules as $capsule) {
            $stretch = $capsule->onLine($line);
            if ($stretch !== null) {
                $taken[] = $stretch;
            }
        }

        return Intervals::minus($stretches, Intervals::union($taken));
    }

    /** @return list<float> northings where the outline of the ground bends, for exact integration */
    public function bends(): array
    {
        $bends = [$this->box->south, $this->box->north];
        foreach ([...$this->polygons, ...$this->holes] as $polygon) {
            foreach ($polygon->rings as $ring) {
                array_push($bends, ...array_column($ring, 1));
            }
        }
        foreach ($this->capsules as $c) {
            array_push($bends, $c->south, $c->north, $c->ay, $c->by);
        }
        $bends = array_filter($bends, fn (float $y): bool => $y >= $this->box->south && $y <= $this->box->north);
        sort($bends);

        return array_values(array_unique($bends));
    }

    public function hasObstacles(): bool
    {
        return $this->capsules !== [] || $this->holes !== [];
    }

    /**
     * @param list<Polygon> $polygons
     * @return list<array{float, float}>
     */
    private static function insides(array $polygons, Line $line): array
    {
        $stretches = [];
        foreach ($polygons as $polygon) {
            $crossings = $polygon->crossings($line);
            for ($i = 0, $n = count($crossings); $i + 1 < $n; $i += 2) {
                $stretches[] = [$crossings[$i], $crossings[$i + 1]];
            }
        }

        return Intervals::union($stretches);
    }

    private function inBoxes(float $x, float $y): bool
    {
        if ($this->boxes === null) {
            return true;
        }
        foreach ($this->boxes as $box) {
            if ($box->contains($x, $y)) {
                return true;
            }
        }

        return false;
    }

    private function inPolygons(float $x, float $y): bool
    {
        foreach ($this->polygons as $polygon) {
            if ($polygon->contains($x, $y)) {
                return true;
            }
        }

        return false;
    }

    private function rimMeets(Box $box): bool
    {
        foreach ($this->polygons as $polygon) {
            foreach ($polygon->rings as $ring) {
                $before = $ring[count($ring) - 1];
                foreach ($ring as $point) {
                    if (
                        $box->meets(
                            min($before[0], $point[0]),
                            min($before[1], $point[1]),
                            max($before[0], $point[0]),
                            max($before[1], $point[1]),
                        )
                    ) {
                        return true;
                    }
                    $before = $point;
                }
            }
        }

        return false;
    }
}
