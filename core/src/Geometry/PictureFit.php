<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Error\ValueOutOfRange;

/**
 * Where a picture of the ground lies, from two or three places known on both.
 *
 * Quantity and unit: pixels from the picture's upper left corner, x to the right and y down; degrees, WGS 84.
 * Variant: two places turn and scale it alike in both directions; three shear it as well.
 * Domain: places some pixels and metres apart; three not on one line; at most 100 m a pixel, within 80 degrees of the
 * equator.
 * Source: first principles, on the local plane about the places.
 */
final readonly class PictureFit
{
    private const LEAST = 1e-6;

    private const COARSEST_M = 100.0;

    private const FARTHEST_DEGREES = 80.0;

    /**
     * @param array{float, float, float, float, float, float} $to east = a x + b y + c, north = d x + e y + f, metres
     */
    private function __construct(private LocalPlane $plane, private array $to) {}

    /**
     * @param list<array{x: float, y: float, longitude: float, latitude: float}> $known
     *
     * @throws ValueOutOfRange
     */
    public static function of(array $known): self
    {
        if (count($known) < 2 || count($known) > 3) {
            throw new ValueOutOfRange('number_known_places', ['value' => count($known)]);
        }
        foreach ($known as $place) {
            if (abs($place['latitude']) > self::FARTHEST_DEGREES) {
                throw new ValueOutOfRange('latitude_known_place', [
                    'value' => $place['latitude'],
                    'low' => -80,
                    'high' => 80,
                ]);
            }
        }
        $plane = LocalPlane::about(array_map(static fn (array $k): array => [$k['longitude'], $k['latitude']], $known));
        $at = array_map(
            static fn (array $k): array => [$k['x'], $k['y'], ...$plane->toMetres([$k['longitude'], $k['latitude']])],
            $known,
        );

        $fit = new self(
            $plane,
            count($at) === 2 ? self::turned($at[0], $at[1]) : self::sheared($at[0], $at[1], $at[2]),
        );
        if ($fit->metresPerPixel() > self::COARSEST_M) {
            throw new ValueOutOfRange('ground_of_a_pixel', ['value' => round($fit->metresPerPixel())]);
        }

        return $fit;
    }

    /** @return array{float, float} longitude and latitude of a pixel */
    public function place(float $x, float $y): array
    {
        [$a, $b, $c, $d, $e, $f] = $this->to;

        return $this->plane->toDegrees([$a * $x + $b * $y + $c, $d * $x + $e * $y + $f]);
    }

    /** Metres that a pixel stands for, to the right or down, whichever is more. */
    public function metresPerPixel(): float
    {
        return max(hypot($this->to[0], $this->to[3]), hypot($this->to[1], $this->to[4]));
    }

    /**
     * @param array{float, float, float, float} $p
     * @param array{float, float, float, float} $q
     * @return array{float, float, float, float, float, float}
     */
    private static function turned(array $p, array $q): array
    {
        [$dx, $dy, $de, $dn] = [$q[0] - $p[0], $q[1] - $p[1], $q[2] - $p[2], $q[3] - $p[3]];
        $square = $dx * $dx + $dy * $dy;
        if ($square < self::LEAST || $de * $de + $dn * $dn < self::LEAST) {
            throw new ValueOutOfRange('known_places_coincide');
        }
        // The picture's y runs down, so the turn is taken with y mirrored.
        $cos = ($de * $dx - $dn * $dy) / $square;
        $sin = ($dn * $dx + $de * $dy) / $square;

        return [$cos, $sin, $p[2] - $cos * $p[0] - $sin * $p[1], $sin, -$cos, $p[3] - $sin * $p[0] + $cos * $p[1]];
    }

    /**
     * @param array{float, float, float, float} $p
     * @param array{float, float, float, float} $q
     * @param array{float, float, float, float} $r
     * @return array{float, float, float, float, float, float}
     */
    private static function sheared(array $p, array $q, array $r): array
    {
        $twice = ($q[0] - $p[0]) * ($r[1] - $p[1]) - ($q[1] - $p[1]) * ($r[0] - $p[0]);
        $ground = ($q[2] - $p[2]) * ($r[3] - $p[3]) - ($q[3] - $p[3]) * ($r[2] - $p[2]);
        if (abs($twice) < self::LEAST || abs($ground) < self::LEAST) {
            throw new ValueOutOfRange('known_places_on_one_line');
        }
        $solve = static function (int $k) use ($p, $q, $r, $twice): array {
            $a = (($q[$k] - $p[$k]) * ($r[1] - $p[1]) - ($r[$k] - $p[$k]) * ($q[1] - $p[1])) / $twice;
            $b = (($q[0] - $p[0]) * ($r[$k] - $p[$k]) - ($r[0] - $p[0]) * ($q[$k] - $p[$k])) / $twice;

            return [$a, $b, $p[$k] - $a * $p[0] - $b * $p[1]];
        };

        return [...$solve(2), ...$solve(3)];
    }
}
