<?php

declare(strict_types=1);

namespace HonestCore\Simulation;

use HonestCore\Sampling\Draw;

/**
 * A made-up field of a given model: Gaussian values whose likeness falls off with distance.
 *
 * Quantity and unit: the property's unit, one value for each patch of a lattice.
 * Variant: a sum of cosine waves whose wave numbers are drawn from the spectrum of the exponential covariance in two
 *   dimensions; along a row each wave is carried on by a rotation.
 * Accuracy: the variogram is the model's on average over fields; one field of 120 waves strays from it by chance.
 * Source: Mantoglou & Wilson 1982, Water Resources Research 18:1379-1394 (spectral method); Shinozuka 1971.
 */
final class CorrelatedField
{
    private const WAVES = 120;

    /** @return list<float> values in the order of the lattice */
    public static function draw(NodeGrid $grid, FieldModel $model, Draw $draw): array
    {
        $n = count($grid->at);
        $values = array_fill(0, $n, 0.0);
        $scale = $model->rangeM / 3;
        for ($wave = 0; $wave < self::WAVES; $wave++) {
            $u = min($draw->share(), 1 - 1e-9);
            $number = sqrt((1 - $u) ** -2 - 1) / $scale;
            $direction = 2 * M_PI * $draw->share();
            $phase = 2 * M_PI * $draw->share();
            $east = $number * cos($direction) * $grid->spacingM;
            $north = $number * sin($direction) * $grid->spacingM;
            [$turnCos, $turnSin] = [cos($east), sin($east)];
            [$row, $column, $c, $s] = [-1, 0, 0.0, 0.0];
            foreach ($grid->at as $i => [$r, $k]) {
                if ($r === $row && $k === $column + 1) {
                    $before = $c;
                    $c = $c * $turnCos - $s * $turnSin;
                    $s = $s * $turnCos + $before * $turnSin;
                } else {
                    $angle = $r * $north + $k * $east + $phase;
                    $c = cos($angle);
                    $s = sin($angle);
                }
                [$row, $column] = [$r, $k];
                $values[$i] += $c;
            }
        }
        $height = $model->sd * sqrt(2 / self::WAVES);

        return array_values(array_map(static fn (float $value): float => $model->mean + $height * $value, $values));
    }
}
