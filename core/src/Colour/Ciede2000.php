<?php

declare(strict_types=1);

namespace HonestCore\Colour;

final class Ciede2000
{
    /**
     * Colour difference CIEDE2000.
     *
     * Quantity and unit: ΔE00, no unit; about 1 is just seen side by side.
     * Variant: kL = kC = kH = 1.
     * Accuracy: 5e-5, the last digit of the 34 published test pairs.
     * Source: Sharma, Wu & Dalal 2005, Color Research and Application 30:21-30.
     *
     * @pure
     */
    public static function between(LabColour $one, LabColour $other): float
    {
        $mean7 = (($one->chroma() + $other->chroma()) / 2) ** 7;
        $g = 1.5 - sqrt($mean7 / ($mean7 + 25 ** 7)) / 2;
        [$a1, $a2] = [$g * $one->a, $g * $other->a];
        [$c1, $c2] = [hypot($a1, $one->b), hypot($a2, $other->b)];
        [$h1, $h2] = [self::hue($a1, $one->b), self::hue($a2, $other->b)];
        $dh = $c1 * $c2 === 0.0 ? 0.0 : self::turn($h2 - $h1);
        $dL = $other->lightness - $one->lightness;
        $dC = $c2 - $c1;
        $dH = 2 * sqrt($c1 * $c2) * sin(deg2rad($dh / 2));
        $h = self::meanHue($h1, $h2, $c1 * $c2 === 0.0);
        $l50 = (($one->lightness + $other->lightness) / 2 - 50) ** 2;
        $c = ($c1 + $c2) / 2;
        $t =
            1 -
            0.17 * cos(deg2rad($h - 30)) +
            0.24 * cos(deg2rad(2 * $h)) +
            0.32 * cos(deg2rad(3 * $h + 6)) -
            0.2 * cos(deg2rad(4 * $h - 63));
        $sL = 1 + (0.015 * $l50) / sqrt(20 + $l50);
        $sC = 1 + 0.045 * $c;
        $sH = 1 + 0.015 * $c * $t;
        $rotation = -2 * sqrt($c ** 7 / ($c ** 7 + 25 ** 7)) * sin(deg2rad(60 * exp(-((($h - 275) / 25) ** 2))));

        return sqrt(($dL / $sL) ** 2 + ($dC / $sC) ** 2 + ($dH / $sH) ** 2 + $rotation * ($dC / $sC) * ($dH / $sH));
    }

    /** @pure */
    private static function hue(float $a, float $b): float
    {
        $hue = $a === 0.0 && $b === 0.0 ? 0.0 : rad2deg(atan2($b, $a));

        return $hue < 0 ? $hue + 360 : $hue;
    }

    /** @pure */
    private static function turn(float $degrees): float
    {
        return match (true) {
            $degrees > 180 => $degrees - 360,
            $degrees < -180 => $degrees + 360,
            default => $degrees,
        };
    }

    /** @pure */
    private static function meanHue(float $h1, float $h2, bool $grey): float
    {
        return match (true) {
            $grey => $h1 + $h2,
            abs($h1 - $h2) <= 180 => ($h1 + $h2) / 2,
            $h1 + $h2 < 360 => ($h1 + $h2 + 360) / 2,
            default => ($h1 + $h2 - 360) / 2,
        };
    }
}
