<?php

declare(strict_types=1);

namespace HonestCore\Jar;

use HonestCore\Agronomy\Texture;
use HonestCore\Error\ValueOutOfRange;

/**
 * Texture from the heights to which soil has settled in a jar.
 *
 * Quantity and unit: heights in millimetres, each of all that lies below: after the sand, after the silt, after all;
 *   shares in percent of volume, which are not masses.
 * Domain: heights that rise from one reading to the next, the last above 0.
 */
final readonly class JarTexture
{
    /**
     * @param array<string, array{from: float, to: float}> $ranges of each share, from reading each height off by the
     *                                                             error
     */
    private function __construct(
        public Texture $texture,
        public array $ranges,
        public float $errorMm,
        private float $sandMm,
        private float $siltMm,
        private float $allMm,
    ) {}

    /** @throws ValueOutOfRange */
    public static function ofHeights(float $sandMm, float $siltMm, float $allMm, float $errorMm): self
    {
        foreach (
            [
                'The height of the sand' => $sandMm,
                'The height of sand and silt' => $siltMm,
                'The height of all' => $allMm,
            ] as $name => $height
        ) {
            if (! ($height >= 0 && $height <= 1000)) {
                throw new ValueOutOfRange('height_in_jar', [
                    'value' => $height,
                    'low' => 0,
                    'high' => 1000,
                    'unit' => 'mm',
                    'name' => $name,
                ]);
            }
        }
        if (! ($errorMm > 0 && $errorMm <= 20)) {
            throw new ValueOutOfRange('reading_error', [
                'value' => $errorMm,
                'low' => 0,
                'high' => 20,
                'unit' => 'mm',
            ]);
        }
        if ($sandMm > $siltMm || $siltMm > $allMm || $allMm <= 0) {
            throw new ValueOutOfRange('layers_do_not_grow', [
                'sand_mm' => $sandMm,
                'silt_mm' => $siltMm,
                'all_mm' => $allMm,
            ]);
        }
        $texture = Texture::ofLayers($sandMm, $siltMm - $sandMm, $allMm - $siltMm);
        $ranges = [];
        foreach (['sand', 'silt', 'clay'] as $share) {
            $values = array_map(
                static fn (Texture $one): float => $one->{$share},
                self::corners($sandMm, $siltMm, $allMm, $errorMm),
            );
            $ranges[$share] = ['from' => min($values), 'to' => max($values)];
        }

        return new self($texture, $ranges, $errorMm, $sandMm, $siltMm, $allMm);
    }

    /**
     * Every class that the soil may be of when each height is off by no more than the reading error, that of the
     * heights as read first.
     *
     * @return non-empty-list<string>
     */
    public function classes(int $stepsEachWay = 4): array
    {
        $classes = [$this->texture->className() => true];
        foreach (self::within($this->sandMm, $this->siltMm, $this->allMm, $this->errorMm, $stepsEachWay) as $texture) {
            $classes[$texture->className()] = true;
        }

        return array_keys($classes);
    }

    /**
     * The part of the triangle in which the soil may lie: the hull of all textures within the reading error.
     *
     * @return list<array{clay: float, silt: float}> percent, counterclockwise
     */
    public function region(): array
    {
        $points = array_map(
            static fn (Texture $one): array => [$one->clay, $one->silt],
            self::within($this->sandMm, $this->siltMm, $this->allMm, $this->errorMm, 1),
        );
        sort($points);
        $hull = [];
        foreach ([...self::half($points), ...self::half(array_reverse($points))] as [$clay, $silt]) {
            $hull[] = ['clay' => $clay, 'silt' => $silt];
        }

        return $hull;
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     * @param array{float, float} $c
     *
     * @pure
     */
    private static function turn(array $a, array $b, array $c): float
    {
        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }

    /** @return non-empty-list<Texture> */
    private static function corners(float $sand, float $silt, float $all, float $error): array
    {
        return self::within($sand, $silt, $all, $error, 1);
    }

    /**
     * Textures of heights moved within their error, as far as layers still grow.
     *
     * @return non-empty-list<Texture>
     */
    private static function within(float $sand, float $silt, float $all, float $error, int $steps): array
    {
        $textures = [Texture::ofLayers($sand, $silt - $sand, $all - $silt)];
        for ($i = -$steps; $i <= $steps; $i++) {
            for ($j = -$steps; $j <= $steps; $j++) {
                for ($k = -$steps; $k <= $steps; $k++) {
                    $a = max(0.0, $sand + ($error * $i) / $steps);
                    $b = max($a, $silt + ($error * $j) / $steps);
                    $c = max($b, $all + ($error * $k) / $steps);
                    if ($c > 0) {
                        $textures[] = Texture::ofLayers($a, $b - $a, $c - $b);
                    }
                }
            }
        }

        return $textures;
    }

    /**
     * One side of the convex hull.
     *
     * @param list<array{float, float}> $points in order
     * @return list<array{float, float}>
     */
    private static function half(array $points): array
    {
        $hull = [];
        foreach ($points as $point) {
            while (
                count($hull) > 1 &&
                self::turn($hull[count($hull) - 2], $hull[count($hull) - 1], $point) <= 1e-12
            ) {
                array_pop($hull);
            }
            $hull[] = $point;
        }

        return array_slice($hull, 0, -1);
    }
}
