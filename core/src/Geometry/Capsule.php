<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

/**
 * All ground within a distance of a segment; a disc when the segment is a point.
 *
 * Quantity and unit: metres on a local plane.
 */
final readonly class Capsule
{
    public float $west;

    public float $east;

    public float $south;

    public float $north;

    public function __construct(
        public float $ax, public float $ay,
        public float $bx, public float $by,
        public float $reach,
    ) {
        $this->west = min($ax, $bx) - $reach;
        $this->east = max($ax, $bx) + $reach;
        $this->south = min($ay, $by) - $reach;
        $this->north = max($ay, $by) + $reach;
    }

    /** @pure */
    public function contains(float $x, float $y): bool
    {
        $ux = $this->bx - $this->ax;
        $uy = $this->by - $this->ay;
        $length2 = $ux * $ux + $uy * $uy;
        $t = $length2 > 0 ? (($x - $this->ax) * $ux + ($y - $this->ay) * $uy) / $length2 : 0.0;
        $t = max(0.0, min(1.0, $t));
        $dx = $x - $this->ax - $t * $ux;
        $dy = $y - $this->ay - $t * $uy;

        return $dx * $dx + $dy * $dy < $this->reach * $this->reach;
    }

    /**
     * The stretch of a line that lies in the capsule: one, since a capsule is convex.
     *
     * @return array{float, float}|null
     *
     * @pure
     */
    public function onLine(Line $line): ?array
    {
        if ($this->reach <= 0 || ($line->uy === 0.0 && ($line->y >= $this->north || $line->y <= $this->south))) {
            return null;
        }
        $a = $line->local($this->ax, $this->ay);
        $b = $line->local($this->bx, $this->by);
        if (min($a[1], $b[1]) > $this->reach || max($a[1], $b[1]) < -$this->reach) {
            return null;
        }
        [$from, $to] = [INF, -INF];
        foreach ([$a, $b] as [$t, $s]) {
            $half2 = $this->reach * $this->reach - $s * $s;
            if ($half2 > 0) {
                $half = sqrt($half2);
                $from = min($from, $t - $half);
                $to = max($to, $t + $half);
            }
        }
        foreach ($this->sides($a, $b) as $t) {
            $from = min($from, $t);
            $to = max($to, $t);
        }

        return $to > $from ? [$from, $to] : null;
    }

    /**
     * Where the line crosses the two straight sides.
     *
     * @param array{float, float} $a
     * @param array{float, float} $b
     * @return list<float>
     *
     * @pure
     */
    private function sides(array $a, array $b): array
    {
        $dt = $b[0] - $a[0];
        $ds = $b[1] - $a[1];
        $length = hypot($dt, $ds);
        if ($length === 0.0 || $ds === 0.0) {
            return [];
        }
        $crossings = [];
        foreach ([1, -1] as $side) {
            $s = $a[1] + $side * $this->reach * $dt / $length;
            $along = -$s / $ds;
            if ($along >= 0 && $along <= 1) {
                $crossings[] = $a[0] - $side * $this->reach * $ds / $length + $along * $dt;
            }
        }

        return $crossings;
    }
}
