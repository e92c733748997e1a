<?php

declare(strict_types=1);

namespace HonestCore\Simulation;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\Zones;

/**
 * A way to part ground into composites.
 *
 * Quantity and unit: patches of a lattice, by composite; cores in each composite.
 */
final readonly class Scheme
{
    private const LEAST_SHARE = 0.1;

    /** @param non-empty-list<non-empty-list<int>> $composites */
    private function __construct(
        public string $code,
        public string $name,
        public array $composites,
        public int $cores,
    ) {}

    public static function oneComposite(NodeGrid $grid, int $cores): self
    {
        return new self('one', 'one composite', [array_keys($grid->at)], $cores);
    }

    /** Square cells of a size; a piece under a tenth of a cell joins its largest neighbour. */
    public static function cells(NodeGrid $grid, float $acres, int $cores): self
    {
        $side = sqrt($acres * Extent::M2_PER_ACRE);
        $cells = [];
        $north = max(array_map(static fn (array $at): int => $at[0], $grid->at)) + 1;
        foreach ($grid->at as $node => [$row, $column]) {
            $down = (int) floor((($north - $row - 0.5) * $grid->spacingM) / $side);
            $cells["{$down}:".(int) floor((($column + 0.5) * $grid->spacingM) / $side)][] = $node;
        }
        $least = (self::LEAST_SHARE * $acres * Extent::M2_PER_ACRE) / $grid->patchM2();
        foreach ($cells as $key => $nodes) {
            if (count($nodes) >= $least || count($cells) === 1) {
                continue;
            }
            $to = self::neighbour((string) $key, $cells);
            if ($to !== null) {
                array_push($cells[$to], ...$nodes);
                unset($cells[$key]);
            }
        }

        return self::named("cells-{$acres}", "{$acres}-acre cells", array_values($cells), $cores);
    }

    /**
     * Zones of equal area, side by side from west to east or from south to north, whichever way the ground is longer.
     */
    public static function zones(NodeGrid $grid, int $zones, int $cores): self
    {
        $places = array_map($grid->place(...), array_keys($grid->at));
        $along =
            max(array_column($places, 0)) - min(array_column($places, 0)) >=
            max(array_column($places, 1)) - min(array_column($places, 1))
                ? 0
                : 1;
        $order = array_keys($places);
        usort($order, static fn (int $a, int $b): int => $places[$a][$along] <=> $places[$b][$along]);
        $parts = array_chunk($order, max(1, (int) ceil(count($order) / $zones)));

        return self::named("zones-{$zones}", "{$zones} zones", $parts, $cores);
    }

    /** The zones that somebody drew; ground outside of them goes with the nearest patch that lies in one. */
    public static function drawn(NodeGrid $grid, Zones $zones, int $cores): self
    {
        $parts = array_fill(0, count($zones->polygons), []);
        $inside = $rest = [];
        foreach (array_keys($grid->at) as $node) {
            $zone = self::zoneAt($zones, $grid->place($node));
            if ($zone === null) {
                $rest[] = $node;
            } else {
                $inside[$node] = $zone;
                $parts[$zone][] = $node;
            }
        }
        $zoned = array_keys($inside);
        foreach ($rest as $node) {
            if ($zoned !== []) {
                $parts[$inside[self::nearest($grid, $node, $zoned)]][] = $node;
            }
        }
        $number = count(array_filter($parts));

        return self::named('zones-drawn', $number === 1 ? '1 drawn zone' : "{$number} drawn zones", $parts, $cores);
    }

    /** @param array{float, float} $place */
    private static function zoneAt(Zones $zones, array $place): ?int
    {
        foreach ($zones->polygons as $zone => $polygons) {
            foreach ($polygons as $polygon) {
                if ($polygon->contains(...$place)) {
                    return $zone;
                }
            }
        }

        return null;
    }

    /** @param non-empty-list<int> $among */
    private static function nearest(NodeGrid $grid, int $node, array $among): int
    {
        [$x, $y] = $grid->place($node);
        [$best, $least] = [$among[0], INF];
        foreach ($among as $other) {
            [$ox, $oy] = $grid->place($other);
            $distance = ($ox - $x) ** 2 + ($oy - $y) ** 2;
            if ($distance < $least) {
                [$best, $least] = [$other, $distance];
            }
        }

        return $best;
    }

    /** @param list<list<int>> $parts */
    private static function named(string $code, string $name, array $parts, int $cores): self
    {
        $composites = [];
        foreach ($parts as $nodes) {
            if ($nodes !== []) {
                $composites[] = $nodes;
            }
        }

        return $composites === []
            ? throw new ValueOutOfRange('number_patches_ground', ['value' => 0, 'low' => 1])
            : new self($code, $name, $composites, $cores);
    }

    public function samples(): int
    {
        return count($this->composites);
    }

    /** @param array<string, list<int>> $cells */
    private static function neighbour(string $key, array $cells): ?string
    {
        [$row, $column] = array_map(intval(...), explode(':', $key));
        $best = null;
        foreach ([[0, 1], [0, -1], [1, 0], [-1, 0], [1, 1], [1, -1], [-1, 1], [-1, -1]] as $i => [$down, $right]) {
            $other = $row + $down.':'.($column + $right);
            if (isset($cells[$other]) && ($best === null || ($i < 4 && count($cells[$other]) > count($cells[$best])))) {
                $best = $other;
            }
        }

        return $best;
    }
}
