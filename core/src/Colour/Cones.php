<?php

declare(strict_types=1);

namespace HonestCore\Colour;

/**
 * What the long-, middle- and short-wave cones of an eye take in of a colour.
 *
 * Quantity and unit: cone responses on the scale on which L + M is luminance Y.
 * Source: Smith & Pokorny 1975, Vision Research 15:161-171, as a matrix on XYZ (written from memory); the difference
 *   between the colour-matching functions of 1931 and those of Judd, on which they rest, is passed over.
 */
final class Cones
{
    private const M = [[0.15514, 0.54312, -0.03286], [-0.15514, 0.45684, 0.03286], [0.0, 0.0, 0.00801]];

    /**
     * @param array{float, float, float} $xyz
     * @return array{float, float, float} L, M, S
     *
     * @pure
     */
    public static function ofXyz(array $xyz): array
    {
        return Matrix::times(self::M, $xyz);
    }

    /**
     * @param array{float, float, float} $lms
     * @return array{float, float, float} X, Y, Z
     *
     * @pure
     */
    public static function toXyz(array $lms): array
    {
        [$l, $m, $s] = $lms;
        $z = $s / self::M[2][2];
        // X and Z take equal and opposite parts in L and M.
        $y = ($l + $m) / (self::M[0][1] + self::M[1][1]);
        $x = ($l - self::M[0][1] * $y - self::M[0][2] * $z) / self::M[0][0];

        return [$x, $y, $z];
    }
}
