<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** Checks a number against its bounds, and refuses it with value, bounds and unit. */
final class Bounds
{
    /**
     * Both bounds belong to it; a number that is not known is not checked.
     *
     * @param string $reason as the catalogue of words calls a number outside of them
     * @param array<string, string|int|float|null> $more facts beside value and bounds: the unit, what it is
     *
     * @throws ValueOutOfRange
     */
    public static function within(string $reason, float|int|null $value, float $low, float $high, array $more = []): void
    {
        if ($value !== null && ! (is_finite((float) $value) && $value >= $low && $value <= $high)) {
            throw new ValueOutOfRange($reason, ['value' => $value, 'low' => $low, 'high' => $high] + $more);
        }
    }

    /**
     * Neither bound belongs to it.
     *
     * @param string $reason as the catalogue of words calls a number outside of them
     * @param array<string, string|int|float|null> $more facts beside value and bounds: the unit, what it is
     *
     * @throws ValueOutOfRange
     */
    public static function between(string $reason, float|int|null $value, float $low, float $high, array $more = []): void
    {
        if ($value !== null && ! (is_finite((float) $value) && $value > $low && $value < $high)) {
            throw new ValueOutOfRange($reason, ['value' => $value, 'low' => $low, 'high' => $high] + $more);
        }
    }
}
