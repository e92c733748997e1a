<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Error\ValueOutOfRange;

/**
 * What a lime requirement is computed from.
 *
 * Quantity and unit: pH in water, and the pH of the buffer suspension of the school in question.
 * Domain: both from 2.5 to 11 (water) and 3 to 9 (buffer).
 */
final readonly class SoilAcidity
{
    private function __construct(public float $ph, public float $bufferPh) {}

    /** @throws ValueOutOfRange */
    public static function of(float $ph, float $bufferPh): self
    {
        if (! ($ph >= 2.5 && $ph <= 11)) {
            throw new ValueOutOfRange('ph', ['value' => $ph, 'low' => 2.5, 'high' => 11]);
        }
        if (! ($bufferPh >= 3 && $bufferPh <= 9)) {
            throw new ValueOutOfRange('buffer_ph', ['value' => $bufferPh, 'low' => 3, 'high' => 9]);
        }

        return new self($ph, $bufferPh);
    }

    /** A point within the uncertainty of a reading that was checked; it may lie past what soil gives. */
    public static function near(float $ph, float $bufferPh): self
    {
        return new self($ph, $bufferPh);
    }
}
