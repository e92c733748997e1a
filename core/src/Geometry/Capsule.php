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
        public float $ax,
        public float $ay,
        public float $bx,
        public float $by,
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
        [$at, $as] = $line->local($this->ax, $this->ay);
        [$bt, $bs] = $line->local($this->bx, $this->by);
        $reach = $this->reach;
        if (($as > $reach && $bs > $reach) || ($as < -$reach && $bs < -$reach)) {
            return null;
        }
        [$from, $to] = [INF, -INF];
        if (abs($as) < $reach) {
            $half = sqrt($reach * $reach - $as * $as);
            [$from, $to] = [$at - $half, $at + $half];
        }
        if (abs($bs) < $reach) {
            $half = sqrt($reach * $reach - $bs * $bs);
            [$from, $to] = [min($from, $bt - $half), max($to, $bt + $half)];
        }
        foreach ($this->crossings($at, $as, $bt - $at, $bs - $as) as $t) {
            [$from, $to] = [min($from, $t), max($to, $t)];
        }

        return $to > $from ? [$from, $to] : null;
    }

    /**
     * Where the line crosses the straight sides.
     *
     * @return list<float> places along the line
     *
     * @pure
     */
    private function crossings(float $at, float $as, float $dt, float $ds): array
    {
        $places = [];
        $length = hypot($dt, $ds);
        foreach ($ds === 0.0 ? [] : [$this->reach, -$this->reach] as $side) {
            // How far along the segment, and at which place.
            $along = -($as + ($side * $dt) / $length) / $ds;
            if ($along >= 0 && $along <= 1) {
                $places[] = $at - ($side * $ds) / $length + $along * $dt;
            }
        }

        return $places;
    }
}
