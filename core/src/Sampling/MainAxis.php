<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

/**
 * The direction in which ground stretches farthest, and its extent along and across.
 *
 * Quantity and unit: angle in radians from east towards north, metres along it from the centroid.
 * Source: principal axis of the second moments of area.
 */
final readonly class MainAxis
{
    private const NEARLY_ROUND = 1.1;

    private function __construct(
        public float $x,
        public float $y,
        public float $angle,
        public float $from,
        public float $to,
        public float $areaM2,
    ) {}

    public static function of(Strips $strips): ?self
    {
        [$area, $sx, $sy, $sxx, $syy, $sxy] = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
        foreach ($strips->strips as ['y' => $y, 'height' => $height, 'spans' => $spans]) {
            foreach ($spans as [$a, $b]) {
                $piece = $height * ($b - $a);
                $mid = ($a + $b) / 2;
                $area += $piece;
                $sx += $piece * $mid;
                $sy += $piece * $y;
                $sxx += $piece * ($mid * $mid + ($b - $a) ** 2 / 12);
                $syy += $piece * $y * $y;
                $sxy += $piece * $mid * $y;
            }
        }
        if ($area <= 0) {
            return null;
        }
        [$x, $y] = [$sx / $area, $sy / $area];
        [$vx, $vy, $vxy] = [$sxx / $area - $x * $x, $syy / $area - $y * $y, $sxy / $area - $x * $y];
        $apart = hypot($vx - $vy, 2 * $vxy);
        $round = $vx + $vy + $apart < self::NEARLY_ROUND * ($vx + $vy - $apart);
        $angle = $round ? 0.0 : atan2(2 * $vxy, $vx - $vy) / 2;

        return self::reach($strips, $x, $y, $angle, $area);
    }

    public function length(): float
    {
        return $this->to - $this->from;
    }

    /**
     * @return array{float, float} the point at a distance along the axis
     *
     * @pure
     */
    public function at(float $along): array
    {
        return [$this->x + $along * cos($this->angle), $this->y + $along * sin($this->angle)];
    }

    private static function reach(Strips $strips, float $x, float $y, float $angle, float $area): self
    {
        [$from, $to] = [INF, -INF];
        foreach ($strips->strips as ['y' => $v, 'spans' => $spans]) {
            foreach ($spans as $span) {
                foreach ($span as $u) {
                    $along = ($u - $x) * cos($angle) + ($v - $y) * sin($angle);
                    $from = min($from, $along);
                    $to = max($to, $along);
                }
            }
        }

        return new self($x, $y, $angle, $from, $to, $area);
    }
}
