<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Sampling\Draw;

/**
 * Normal and yes-or-no draws from a seed.
 *
 * Source: Box & Muller 1958, Annals of Mathematical Statistics 29:610-611.
 */
final readonly class Chance
{
    public function __construct(public Draw $draw) {}

    public static function of(int $seed): self
    {
        return new self(new Draw($seed));
    }

    /** The draws of one thing alone: what is drawn for another does not move them. */
    public static function named(int $seed, string $what): self
    {
        /** @var array{1: int} $number */
        $number = unpack('P', hash('sha256', "{$seed} {$what}", true));

        return self::of($number[1] & 0x7FFFFFFFFFFFFFFF);
    }

    public function normal(float $mean, float $sd): float
    {
        $radius = sqrt(-2 * log(1 - $this->draw->share()));

        return $mean + $sd * $radius * cos(2 * M_PI * $this->draw->share());
    }

    public function happens(float $share): bool
    {
        return $this->draw->share() < $share;
    }
}
