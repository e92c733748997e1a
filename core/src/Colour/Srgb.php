<?php

declare(strict_types=1);

namespace HonestCore\Colour;

use HonestCore\Error\ValueOutOfRange;

/**
 * The colour space of screens and photos.
 *
 * Quantity and unit: channels from 0 to 1, linear in light unless said otherwise; XYZ on Y = 1 for white; white is D65.
 * Source: IEC 61966-2-1:1999; CIE 15 for L*a*b* with the 2° observer.
 */
final class Srgb
{
    private const TO_XYZ = [
        [0.4124564, 0.3575761, 0.1804375],
        [0.2126729, 0.7151522, 0.072175],
        [0.0193339, 0.119192, 0.9503041],
    ];

    private const FROM_XYZ = [
        [3.2404542, -1.5371385, -0.4985314],
        [-0.969266, 1.8760108, 0.041556],
        [0.0556434, -0.2040259, 1.0572252],
    ];

    private const WHITE = [0.95047, 1.0, 1.08883];

    private const KAPPA = 24389 / 27;

    private const SMALL = 216 / 24389;

    /** Light of a channel as it is stored, both from 0 to 1. @pure */
    public static function decode(float $stored): float
    {
        return $stored <= 0.04045 ? $stored / 12.92 : (($stored + 0.055) / 1.055) ** 2.4;
    }

    /** The other way round. @pure */
    public static function encode(float $light): float
    {
        return $light <= 0.0031308 ? 12.92 * $light : 1.055 * $light ** (1 / 2.4) - 0.055;
    }

    /**
     * @param array{float, float, float} $light
     * @return array{float, float, float}
     *
     * @pure
     */
    public static function toXyz(array $light): array
    {
        return Matrix::times(self::TO_XYZ, $light);
    }

    /**
     * @param array{float, float, float} $xyz
     * @return array{float, float, float} linear, outside of 0 to 1 when no screen shows it
     *
     * @pure
     */
    public static function fromXyz(array $xyz): array
    {
        return Matrix::times(self::FROM_XYZ, $xyz);
    }

    /**
     * @param array{float, float, float} $light
     *
     * @throws ValueOutOfRange
     */
    public static function toLab(array $light): LabColour
    {
        return self::xyzToLab(self::toXyz($light));
    }

    /**
     * @param array{float, float, float} $xyz
     *
     * @throws ValueOutOfRange
     */
    public static function xyzToLab(array $xyz): LabColour
    {
        [$x, $y, $z] = array_map(
            static function (float $one, float $white): float {
                $t = $one / $white;

                return $t > self::SMALL ? $t ** (1 / 3) : (self::KAPPA * $t + 16) / 116;
            },
            $xyz,
            self::WHITE,
        );

        return LabColour::of(min(100.0, max(0.0, 116 * $y - 16)), 500 * ($x - $y), 200 * ($y - $z));
    }

    /**
     * @return array{float, float, float} linear
     *
     * @pure
     */
    public static function ofLab(LabColour $lab): array
    {
        $y = ($lab->lightness + 16) / 116;
        [$x, $z] = [$y + $lab->a / 500, $y - $lab->b / 200];
        $back = static fn (float $f): float => $f ** 3 > self::SMALL ? $f ** 3 : (116 * $f - 16) / self::KAPPA;

        return self::fromXyz([
            self::WHITE[0] * $back($x),
            $lab->lightness > self::KAPPA * self::SMALL ? $y ** 3 : $lab->lightness / self::KAPPA,
            self::WHITE[2] * $back($z),
        ]);
    }

    /**
     * The colour as a screen is told it, clipped to what the screen can show.
     *
     * @param array{float, float, float} $light
     */
    public static function hex(array $light): string
    {
        return '#'.
            implode(
                '',
                array_map(
                    static fn (float $one): string => sprintf(
                        '%02x',
                        (int) round(255 * self::encode(min(1.0, max(0.0, $one)))),
                    ),
                    $light,
                ),
            );
    }

    /**
     * Can a screen show it? Half a step of eight bits is let pass.
     *
     * @param array{float, float, float} $light
     *
     * @pure
     */
    public static function isShown(array $light): bool
    {
        return min($light) >= -0.0002 && max($light) <= 1.0045;
    }
}
