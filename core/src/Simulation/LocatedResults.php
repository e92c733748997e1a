<?php

declare(strict_types=1);

namespace HonestCore\Simulation;

use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Geometry\GeoJson;
use HonestCore\Geometry\LocalPlane;
use HonestCore\Table\CsvTable;
use HonestCore\Table\Number;

/**
 * Earlier results with the places they came from.
 *
 * Quantity and unit: metres on a local plane; values in the property's unit.
 * Domain: CSV with the columns longitude, latitude and ph, 3 rows or more.
 */
final readonly class LocatedResults
{
    private const FEWEST = 3;

    /** @param non-empty-list<array{float, float, float}> $values metres east, metres north, value */
    private function __construct(public array $values) {}

    /**
     * @throws BadTable
     * @throws BadRow
     * @throws \HonestCore\Error\BadBoundary
     */
    public static function parse(string $csv, LocalPlane $plane): self
    {
        $table = CsvTable::parse($csv, ['longitude', 'latitude', 'ph']);
        $values = [];
        foreach ($table->rows as $row => $cells) {
            $number = static fn (string $column): float => Number::parse($cells[$column]) ??
                throw new BadRow('no_located_result', [
                    'place' => $row,
                    'column' => $column,
                    'value' => $cells[$column],
                ]);
            $place = [$number('longitude'), $number('latitude')];
            $ph = $number('ph');
            [$x, $y] = $plane->toMetres(GeoJson::position("row {$row}", $place));
            $values[] = [$x, $y, $ph];
        }

        return count($values) >= self::FEWEST
            ? new self($values)
            : throw new BadTable('results_too_few', ['count' => count($values), 'fewest' => self::FEWEST]);
    }

    /**
     * The field that these results make, each patch taking the value of the nearest.
     *
     * @return list<float>
     */
    public function field(NodeGrid $grid): array
    {
        return array_map(function (int $node) use ($grid): float {
            [$x, $y] = $grid->place($node);
            [$value, $least] = [0.0, INF];
            foreach ($this->values as [$vx, $vy, $v]) {
                $distance = ($vx - $x) ** 2 + ($vy - $y) ** 2;
                if ($distance < $least) {
                    [$value, $least] = [$v, $distance];
                }
            }

            return $value;
        }, array_keys($grid->at));
    }
}
