<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Ground;
use HonestCore\Geometry\Intervals;
use HonestCore\Geometry\Line;
use HonestCore\Statistics\GaussLegendre;

/**
 * Ground cut into thin eastward strips, for areas and for picking places by area.
 *
 * Quantity and unit: metres, square metres.
 * Accuracy: the outline's bends are ends of strips and each strip is integrated by Gauss's rule, so that
 *   straight outlines are exact and round ones good to about 1e-6 of the area.
 */
final readonly class Strips
{
    /**
     * @param list<array{y: float, height: float, spans: list<array{float, float}>}> $strips south to north
     */
    private function __construct(public array $strips) {}

    /** @param positive-int $lines about how many lines to cut along */
    public static function of(Ground $ground, int $lines): self
    {
        $bends = $ground->bends();
        $bends = count($bends) > $lines ? [$bends[0], $bends[count($bends) - 1]] : $bends;
        [$nodes, $weights] = GaussLegendre::rule(2);
        $step = max(1e-9, (($bends[count($bends) - 1] - $bends[0]) / $lines) * count($nodes));
        $strips = [];
        for ($i = 1, $n = count($bends); $i < $n; $i++) {
            $pieces = (int) max(1, ceil(($bends[$i] - $bends[$i - 1]) / $step));
            $height = ($bends[$i] - $bends[$i - 1]) / $pieces;
            for ($k = 0; $k < $pieces; $k++) {
                $middle = $bends[$i - 1] + ($k + 0.5) * $height;
                foreach (array_reverse($nodes, true) as $j => $node) {
                    $y = $middle + ($node * $height) / 2;
                    $strips[] = [
                        'y' => $y,
                        'height' => ($weights[$j] * $height) / 2,
                        'spans' => $ground->onLine(Line::eastward($y)),
                    ];
                }
            }
        }
        usort($strips, static fn (array $a, array $b): int => $a['y'] <=> $b['y']);

        return new self($strips);
    }

    public function areaM2(): float
    {
        $area = 0.0;
        foreach ($this->strips as $strip) {
            $area += $strip['height'] * Intervals::length($strip['spans']);
        }

        return $area;
    }
}
