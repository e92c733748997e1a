<?php

declare(strict_types=1);

namespace HonestCore\Colour;

/** Three by three times three, as colour spaces are turned into one another. */
final class Matrix
{
    /**
     * @param array{array{float, float, float}, array{float, float, float}, array{float, float, float}} $rows
     * @param array{float, float, float} $vector
     * @return array{float, float, float}
     *
     * @pure
     */
    public static function times(array $rows, array $vector): array
    {
        return [self::row($rows[0], $vector), self::row($rows[1], $vector), self::row($rows[2], $vector)];
    }

    /**
     * @param array{float, float, float} $row
     * @param array{float, float, float} $vector
     *
     * @pure
     */
    private static function row(array $row, array $vector): float
    {
        return $row[0] * $vector[0] + $row[1] * $vector[1] + $row[2] * $vector[2];
    }
}
