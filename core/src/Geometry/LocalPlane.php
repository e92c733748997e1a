<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

/**
 * A plane in metres laid on the ellipsoid about a centre: Lambert's azimuthal equal-area projection.
 *
 * Quantity and unit: longitude and latitude in degrees (WGS 84) to metres east and north of the centre, and back.
 * Domain: a few hundred kilometres about the centre. Areas are exact; at 10 km from the centre a length is
 *   off by 3e-7 of itself.
 * Accuracy: there and back 1e-8 m.
 * Source: Snyder 1987, Map Projections: A Working Manual, equations 3-11, 3-12, 3-16, 24-17 to 24-26.
 */
final readonly class LocalPlane
{
    private const SEMI_MAJOR_M = 6378137.0;

    private const FLATTENING = 1 / 298.257223563;

    private float $e2;

    private float $e;

    private float $polar;

    private float $radius;

    private float $sinBeta;

    private float $cosBeta;

    private float $stretch;

    public function __construct(private float $longitude, float $latitude)
    {
        $this->e2 = self::FLATTENING * (2 - self::FLATTENING);
        $this->e = sqrt($this->e2);
        $this->polar = $this->authalic(1.0);
        $this->radius = self::SEMI_MAJOR_M * sqrt($this->polar / 2);
        $phi = deg2rad(max(-89.9, min(89.9, $latitude)));
        $this->sinBeta = $this->authalic(sin($phi)) / $this->polar;
        $this->cosBeta = sqrt(1 - $this->sinBeta ** 2);
        $m = cos($phi) / sqrt(1 - $this->e2 * sin($phi) ** 2);
        $this->stretch = (self::SEMI_MAJOR_M * $m) / ($this->radius * $this->cosBeta);
    }

    /**
     * Plane about the middle of the positions' bounding box, the short way round the globe.
     *
     * @param non-empty-list<array{float, float}> $positions
     */
    public static function about(array $positions): self
    {
        $first = $positions[0][0];
        $offsets = array_map(static fn (array $p): float => self::wrap($p[0] - $first), $positions);
        $latitudes = array_column($positions, 1);

        return new self(
            self::wrap($first + (min($offsets) + max($offsets)) / 2),
            (min($latitudes) + max($latitudes)) / 2,
        );
    }

    /**
     * @param array{float, float} $position longitude and latitude, degrees
     * @return array{float, float} metres east and north
     *
     * @pure
     */
    public function toMetres(array $position): array
    {
        $lambda = deg2rad(self::wrap($position[0] - $this->longitude));
        $sin = $this->authalic(sin(deg2rad($position[1]))) / $this->polar;
        $cos = sqrt(max(0.0, 1 - $sin * $sin));
        $b = $this->radius * sqrt(2 / (1 + $this->sinBeta * $sin + $this->cosBeta * $cos * cos($lambda)));

        return [
            $b * $this->stretch * $cos * sin($lambda),
            ($b / $this->stretch) * ($this->cosBeta * $sin - $this->sinBeta * $cos * cos($lambda)),
        ];
    }

    /**
     * @param array{float, float} $point metres east and north
     * @return array{float, float} longitude and latitude, degrees
     *
     * @pure
     */
    public function toDegrees(array $point): array
    {
        [$x, $y] = $point;
        $rho = hypot($x / $this->stretch, $this->stretch * $y);
        if ($rho === 0.0) {
            return [$this->longitude, rad2deg($this->latitudeOf($this->polar * $this->sinBeta))];
        }
        $c = 2 * asin(min(1.0, $rho / (2 * $this->radius)));
        $q = $this->polar * (cos($c) * $this->sinBeta + ($this->stretch * $y * sin($c) * $this->cosBeta) / $rho);
        $lambda = atan2(
            $x * sin($c),
            $this->stretch * $rho * $this->cosBeta * cos($c) - $this->stretch ** 2 * $y * $this->sinBeta * sin($c),
        );

        return [self::wrap($this->longitude + rad2deg($lambda)), rad2deg($this->latitudeOf($q))];
    }

    /** @pure */
    private function authalic(float $sine): float
    {
        return (1 - $this->e2) *
            ($sine / (1 - $this->e2 * $sine * $sine) -
                log((1 - $this->e * $sine) / (1 + $this->e * $sine)) / (2 * $this->e));
    }

    /** @pure */
    private function latitudeOf(float $q): float
    {
        $phi = asin(max(-1.0, min(1.0, $q / 2)));
        for ($i = 0; $i < 6; $i++) {
            $sine = sin($phi);
            $part = 1 - $this->e2 * $sine * $sine;
            $step =
                ($part ** 2 / (2 * cos($phi))) *
                ($q / (1 - $this->e2) -
                    $sine / $part +
                    log((1 - $this->e * $sine) / (1 + $this->e * $sine)) / (2 * $this->e));
            $phi += $step;
            if (abs($step) < 1e-15) {
                break;
            }
        }

        return $phi;
    }

    /** @pure */
    private static function wrap(float $degrees): float
    {
        return $degrees - 360 * floor(($degrees + 180) / 360);
    }
}
