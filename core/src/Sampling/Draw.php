<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use Random\Engine\Xoshiro256StarStar;

/** Even draws from a seed: the same seed gives the same draws on every machine. */
final class Draw
{
    private readonly Xoshiro256StarStar $engine;

    public function __construct(int $seed)
    {
        $this->engine = new Xoshiro256StarStar($seed);
    }

    /** A number from 0, included, to 1, left out, with 53 random bits. */
    public function share(): float
    {
        /** @var array{1: int} $bits */
        $bits = unpack('P', $this->engine->generate());

        return (($bits[1] >> 11) & 0x1FFFFFFFFFFFFF) / 9007199254740992.0;
    }

    public function between(float $low, float $high): float
    {
        return $low + $this->share() * ($high - $low);
    }
}
