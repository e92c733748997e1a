<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** Checks a number against its bounds, and refuses it with value, bounds and unit. */
final class Bounds
{
    /**
     * Both bounds belong to it; a number that is not known is not checked.
     *
     * @throws ValueOutOfRange
     *
     * @pure
     */
    public static function within(
        string $what,
        float|int|null $value,
        float $low,
        float $high,
        string $accepted,
        string $unit = '',
    ): void {
        if ($value !== null && ! (is_finite((float) $value) && $value >= $low && $value <= $high)) {
            throw ValueOutOfRange::of($what, $value, $accepted, $unit, ['low' => $low, 'high' => $high]);
        }
    }

    /**
     * Neither bound belongs to it.
     *
     * @throws ValueOutOfRange
     *
     * @pure
     */
    public static function between(
        string $what,
        float|int|null $value,
        float $low,
        float $high,
        string $accepted,
        string $unit = '',
    ): void {
        if ($value !== null && ! (is_finite((float) $value) && $value > $low && $value < $high)) {
            throw ValueOutOfRange::of($what, $value, $accepted, $unit, ['low' => $low, 'high' => $high]);
        }
    }
}
