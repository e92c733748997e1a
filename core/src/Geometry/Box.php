<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

/** An upright rectangle on a local plane, metres. */
final readonly class Box
{
    /** @pure */
    public function __construct(public float $west, public float $south, public float $east, public float $north) {}

    /**
     * @param non-empty-list<array{float, float}> $points
     *
     * @pure
     */
    public static function around(array $points): self
    {
        $x = array_column($points, 0);
        $y = array_column($points, 1);

        return new self(min($x), min($y), max($x), max($y));
    }

    /**
     * @return non-empty-list<array{float, float}> its corners, not closed
     *
     * @pure
     */
    public function ring(): array
    {
        return [
            [$this->west, $this->north],
            [$this->east, $this->north],
            [$this->east, $this->south],
            [$this->west, $this->south],
        ];
    }

    /** @pure */
    public function width(): float
    {
        return $this->east - $this->west;
    }

    /** @pure */
    public function height(): float
    {
        return $this->north - $this->south;
    }

    /** @pure */
    public function contains(float $x, float $y): bool
    {
        return $x >= $this->west && $x <= $this->east && $y >= $this->south && $y <= $this->north;
    }

    /** @pure */
    public function meets(float $west, float $south, float $east, float $north): bool
    {
        return $west <= $this->east && $east >= $this->west && $south <= $this->north && $north >= $this->south;
    }

    /**
     * @return array{float, float}|null the stretch of a line inside
     *
     * @pure
     */
    public function onLine(Line $line): ?array
    {
        [$from, $to] = [-INF, INF];
        foreach (
            [[$line->x, $line->ux, $this->west, $this->east], [$line->y, $line->uy, $this->south, $this->north]] as [$o, $u, $low, $high]
        ) {
            if ($u === 0.0) {
                if ($o < $low || $o > $high) {
                    return null;
                }

                continue;
            }
            $a = ($low - $o) / $u;
            $b = ($high - $o) / $u;
            $from = max($from, min($a, $b));
            $to = min($to, max($a, $b));
        }

        return $to > $from ? [$from, $to] : null;
    }
}
