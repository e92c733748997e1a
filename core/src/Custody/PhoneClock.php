<?php

declare(strict_types=1);

namespace HonestCore\Custody;

/**
 * How far a phone's clock is off, and what time its entries then were.
 *
 * Quantity and unit: seconds since 1970, UTC; `offS` positive when the phone is behind.
 * Rule: up to two minutes is the way of the message and left alone; nothing lies after the moment it arrived.
 */
final readonly class PhoneClock
{
    private const FAIR_S = 120;

    private function __construct(public int $offS, private int $now) {}

    /** @param int $said what the phone took for now when it sent */
    public static function against(int $said, int $now): self
    {
        return new self(abs($now - $said) > self::FAIR_S ? $now - $said : 0, $now);
    }

    public function mend(int $said): int
    {
        return min($said + $this->offS, $this->now);
    }
}
