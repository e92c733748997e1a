<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;

/**
 * What a practice ground truly holds, on a lattice: for the eye, and for whoever asks what a part of it comes to.
 *
 * Quantity and unit: of an analyte as in PracticeGround; places in metres east and north of its south-west corner, row by row from the
 * south.
 */
final readonly class TruthMap
{
    /** @param list<float> $values */
    private function __construct(public int $columns, public int $rows, public float $stepM, public array $values) {}

    /** @throws ValueOutOfRange on a step that is none */
    public static function of(PracticeGround $ground, string $analyte, DepthLayer $layer, float $day, float $stepM = 5.0): self
    {
        if (! ($stepM >= 1 && $stepM <= 100)) {
            throw new ValueOutOfRange('side_of_practice_ground', ['value' => $stepM, 'low' => 1, 'high' => 100, 'unit' => 'm']);
        }
        [$columns, $rows] = [(int) ceil($ground->widthM / $stepM), (int) ceil($ground->heightM / $stepM)];
        $values = [];
        for ($row = 0; $row < $rows; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                $values[] = $ground->at($analyte, ($column + 0.5) * $stepM, ($row + 0.5) * $stepM, $layer, $day);
            }
        }

        return new self($columns, $rows, $stepM, $values);
    }

    /** @return array{float, float} metres east and north of the middle of a cell */
    public function place(int $cell): array
    {
        return [($cell % $this->columns + 0.5) * $this->stepM, (intdiv($cell, $this->columns) + 0.5) * $this->stepM];
    }

    /** @return list<float> to two decimals, as a drawing has them */
    public function drawn(): array
    {
        return array_map(static fn (float $value): float => round($value, 2), $this->values);
    }

    /**
     * The values where something holds of a place.
     *
     * @param \Closure(float, float): bool $holds
     * @return list<float>
     */
    public function where(\Closure $holds): array
    {
        $found = [];
        foreach ($this->values as $cell => $value) {
            if ($holds(...$this->place($cell))) {
                $found[] = $value;
            }
        }

        return $found;
    }
}
