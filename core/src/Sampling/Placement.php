<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadBoundary;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Geometry\Box;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\Polygon;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;

/**
 * Cores laid over ground, composite by composite, in walking order.
 *
 * Quantities and units: degrees (WGS 84), metres, square metres, millilitres.
 * Convention: places are kept a hand's width further inside than asked, so that no rounding of a position
 *   puts a core on ground to keep away from.
 */
final readonly class Placement
{
    private const HAND_M = 0.1;

    private const LINES = 200;

    private const CELL_LINES = 24;

    private const MOST_IN_ALL = 200_000;

    /**
     * @param non-empty-list<list<array{float, float}>> $composites longitude and latitude in walking order
     * @param list<list<non-empty-list<array{float, float}>>> $outlines of each composite's own ground, closed
     *                                                                  rings; none when it is all of the area
     * @param list<float> $volumesMl
     */
    private function __construct(
        public array $composites,
        public array $outlines,
        public Extent $area,
        public Extent $usable,
        public float $walkM,
        public array $volumesMl,
        public int $seed,
    ) {}

    /**
     * @throws BadBoundary when no ground is left
     * @throws ValueOutOfRange when the cells ask for too many cores
     */
    public static function draft(PlacementSpec $spec): self
    {
        $all = Ground::of($spec->boundary->polygons, $spec->edgeM, $spec->away);
        $usable = $all->hasObstacles() ? Strips::of($all, self::LINES)->areaM2() : $spec->boundary->areaM2();
        if ($usable <= 0) {
            throw new BadBoundary('no_usable_ground_left');
        }
        $draw = new Draw($spec->seed);
        [$places, $rings] = match (true) {
            $spec->zones !== null => self::byZone($spec, $spec->zones, $draw),
            $spec->cellM2 !== null => self::byCell($spec, $spec->cellM2, $usable, $draw),
            default => [[self::whole($spec, $draw)], [[]]],
        };
        $places = self::ordered($places, $spec);
        $walk = array_sum(array_map(WalkingOrder::length(...), $places));
        $plane = $spec->boundary->plane;
        $rings = array_map(
            static fn (array $own): array => array_map(
                static fn (array $ring): array => array_map($plane->toDegrees(...), [...$ring, $ring[0]]),
                $own,
            ),
            $rings,
        );

        return new self(
            array_map(static fn (array $composite): array => array_map($plane->toDegrees(...), $composite), $places),
            $rings,
            Extent::ofSquareMetres($spec->boundary->areaM2()),
            Extent::ofSquareMetres($usable),
            $walk,
            array_map(
                static fn (DepthLayer $layer): float => $spec->probe->compositeMl($spec->cores, $layer),
                $spec->layers,
            ),
            $spec->seed,
        );
    }

    public function cores(): int
    {
        return array_sum(array_map(count(...), $this->composites));
    }

    /** @return array<string, mixed> */
    public function summary(): array
    {
        return [
            'area_m2' => $this->area->squareMetres,
            'area_acres' => $this->area->acres(),
            'usable_m2' => $this->usable->squareMetres,
            'composites' => count($this->composites),
            'cores' => $this->cores(),
            'walk_m' => $this->walkM,
            'volume_ml_per_composite' => $this->volumesMl,
            'seed' => $this->seed,
        ];
    }

    /** @return list<array{float, float}> metres */
    private static function whole(PlacementSpec $spec, Draw $draw): array
    {
        $parts = $spec->pattern->goesByPolygon()
            ? array_map(static fn (Polygon $polygon): array => [$polygon], $spec->boundary->polygons)
            : [$spec->boundary->polygons];
        $grounds = $areas = [];
        foreach ($parts as $polygons) {
            [$ground, $strips] = self::inset($polygons, $spec, self::LINES);
            if ($strips->areaM2() > 0) {
                $grounds[] = [$ground, $strips];
                $areas[] = $strips->areaM2();
            }
        }
        $places = [];
        foreach (self::shares($areas, $spec->cores) as $i => $cores) {
            array_push($places, ...self::lay($grounds[$i][0], $grounds[$i][1], $spec, $cores, $draw));
        }

        return $places;
    }

    /**
     * @return array{non-empty-list<list<array{float, float}>>, non-empty-list<list<non-empty-list<array{float,
     *     float}>>>} places and rings, metres
     *
     * @throws ValueOutOfRange
     * @throws BadBoundary
     */
    private static function byCell(PlacementSpec $spec, float $cellM2, float $usable, Draw $draw): array
    {
        if (($usable / $cellM2) * $spec->cores > self::MOST_IN_ALL) {
            throw new ValueOutOfRange('cells_ask_too_many_cores', ['most_in_all' => self::MOST_IN_ALL]);
        }
        $box = Ground::of($spec->boundary->polygons, $spec->edgeM, $spec->away)->box;
        if (($box->width() * $box->height()) / $cellM2 > self::MOST_IN_ALL) {
            throw new ValueOutOfRange('too_many_cells', ['most_in_all' => self::MOST_IN_ALL]);
        }
        $composites = $rings = [];
        foreach (Cells::cut(self::inset($spec->boundary->polygons, $spec, self::CELL_LINES)[0], $cellM2) as $cell) {
            $composites[] = self::lay($cell, Strips::of($cell, self::CELL_LINES), $spec, $spec->cores, $draw);
            $rings[] = array_map(static fn (Box $box): array => $box->ring(), $cell->boxes ?? []);
        }

        return $composites === []
            ? throw new BadBoundary('no_usable_ground_left')
            : [$composites, $rings];
    }

    /**
     * Ground a hand's width inside what may be used, or all of it where that leaves nothing.
     *
     * @param non-empty-list<Polygon> $polygons
     * @param positive-int $lines
     * @return array{Ground, Strips}
     */
    private static function inset(array $polygons, PlacementSpec $spec, int $lines): array
    {
        $inset = Ground::of($polygons, $spec->edgeM + self::HAND_M, $spec->away->widened(self::HAND_M));
        $strips = Strips::of($inset, $lines);
        if ($strips->areaM2() > 0) {
            return [$inset, $strips];
        }
        $all = Ground::of($polygons, $spec->edgeM, $spec->away);

        return [$all, Strips::of($all, $lines)];
    }

    /**
     * @return array{non-empty-list<list<array{float, float}>>, non-empty-list<list<non-empty-list<array{float,
     *     float}>>>} places and rings, metres
     *
     * @throws BadBoundary when a zone has no usable ground
     */
    private static function byZone(PlacementSpec $spec, Zones $zones, Draw $draw): array
    {
        $places = array_map(static function (int $i) use ($zones, $spec, $draw): array {
            [$ground, $strips] = self::inset($zones->polygons[$i], $spec, self::LINES);

            return $strips->areaM2() > 0
                ? self::lay($ground, $strips, $spec, $spec->cores, $draw)
                : throw new BadBoundary('zone_no_usable_ground_left', ['zone' => $i + 1]);
        }, array_keys($zones->polygons));
        $rings = [];
        foreach ($zones->polygons as $polygons) {
            $rings[] = array_merge(...array_map(static fn (Polygon $polygon): array => $polygon->rings, $polygons));
        }

        return [$places, $rings];
    }

    /**
     * The composites one after the other, each walk beginning where the one before it ended; the first at the start.
     *
     * @param non-empty-list<list<array{float, float}>> $composites
     * @return non-empty-list<list<array{float, float}>>
     */
    private static function ordered(array $composites, PlacementSpec $spec): array
    {
        $here = $spec->start;
        if ($here === null) {
            return $composites;
        }
        $ordered = [];
        foreach ($composites as $places) {
            if ($places !== [] && $spec->pattern->hasItsOwnWalk()) {
                [$first, $last] = [$places[0], $places[count($places) - 1]];
                $nearerLast =
                    hypot($last[0] - $here[0], $last[1] - $here[1]) < hypot($first[0] - $here[0], $first[1] - $here[1]);
                $ordered[] = $nearerLast ? array_reverse($places) : $places;
            } else {
                $ordered[] = WalkingOrder::of($places, $here);
            }
            $walked = $ordered[count($ordered) - 1];
            $here = $walked === [] ? $here : $walked[count($walked) - 1];
        }

        return $ordered;
    }

    /** @return list<array{float, float}> metres, in walking order */
    private static function lay(Ground $ground, Strips $strips, PlacementSpec $spec, int $cores, Draw $draw): array
    {
        $axis = MainAxis::of($strips);
        $places = match (true) {
            $axis === null => [],
            $spec->roundMiddle && $spec->cellM2 !== null => RoundMiddle::lay($ground, $strips, $axis, $cores, $draw),
            default => match ($spec->pattern) {
                Pattern::Zigzag => Zigzag::lay($ground, $axis, $cores, null, $draw),
                Pattern::W => Zigzag::lay($ground, $axis, $cores, Zigzag::W_LEGS, $draw),
                Pattern::TransectLine => TransectLine::lay($ground, $axis, $cores, $draw),
                Pattern::Random => WalkingOrder::of(RandomCores::lay($ground, $strips, $cores, $draw)),
                Pattern::Stratified => WalkingOrder::of(EqualBlocks::lay($ground, $strips, $cores, $draw)),
                Pattern::Grid => EqualBlocks::lay($ground, $strips, $cores, null),
                Pattern::Corners => CornersAndMiddle::lay($ground, $axis, $cores, $draw),
                Pattern::Rows => AcrossRows::lay(
                    $ground,
                    $strips,
                    $cores,
                    $spec->rows ?? RowPlan::usual(),
                    $draw,
                ),
            },
        };

        return $places === [] ? WalkingOrder::of(RandomCores::lay($ground, $strips, $cores, $draw)) : $places;
    }

    /**
     * Cores for each part by its area: largest remainders, one at least where there are enough.
     *
     * @param list<float> $areas
     * @return array<int, int>
     */
    private static function shares(array $areas, int $cores): array
    {
        $least = $cores >= count($areas) ? 1 : 0;
        $free = $cores - $least * count($areas);
        $wanted = array_map(static fn (float $area): float => ($free * $area) / array_sum($areas), $areas);
        $shares = array_map(static fn (float $share): int => $least + (int) floor($share), $wanted);
        $rests = array_map(static fn (float $share): float => $share - floor($share), $wanted);
        arsort($rests);
        foreach (array_slice(array_keys($rests), 0, $cores - array_sum($shares)) as $i) {
            $shares[$i]++;
        }

        return array_filter($shares);
    }
}
