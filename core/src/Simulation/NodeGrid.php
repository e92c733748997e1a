<?php

declare(strict_types=1);

namespace HonestCore\Simulation;

use HonestCore\Error\BadBoundary;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\Line;

/**
 * Ground as a lattice of equal patches, each standing for its own piece.
 *
 * Quantity and unit: metres and square metres; patches in rows from south to north, west to east within a row.
 */
final readonly class NodeGrid
{
    /** @param non-empty-list<array{int, int}> $at row and column of each patch */
    private function __construct(
        public array $at,
        public float $spacingM,
        public float $westM,
        public float $southM,
        public float $areaM2,
    ) {}

    /**
     * About as many patches as asked for.
     *
     * @throws BadBoundary when no patch lies on the ground
     */
    public static function over(Ground $ground, float $areaM2, int $patches): self
    {
        $spacing = sqrt($areaM2 / $patches);
        $at = [];
        $rows = (int) ceil($ground->box->height() / $spacing);
        for ($row = 0; $row < $rows; $row++) {
            $y = $ground->box->south + ($row + 0.5) * $spacing;
            foreach ($ground->onLine(Line::eastward($y)) as [$from, $to]) {
                $first = (int) ceil(($from - $ground->box->west) / $spacing - 0.5);
                for ($column = $first; $ground->box->west + ($column + 0.5) * $spacing < $to; $column++) {
                    $at[] = [$row, $column];
                }
            }
        }
        if ($at === []) {
            throw new BadBoundary('ground_too_narrow_to_simulate');
        }

        return new self($at, $spacing, $ground->box->west, $ground->box->south, $areaM2);
    }

    public function patchM2(): float
    {
        return $this->areaM2 / count($this->at);
    }

    /** @return array{float, float} metres east and north of a patch's middle */
    public function place(int $node): array
    {
        [$row, $column] = $this->at[$node];

        return [$this->westM + ($column + 0.5) * $this->spacingM, $this->southM + ($row + 0.5) * $this->spacingM];
    }
}
