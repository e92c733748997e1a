<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\Normal;

/**
 * One soil as the model of a test knows it.
 *
 * Quantity and unit: on the scale on which differences are taken: the reference `x`, its action class, and the ranges of
 *   what is seen that sort to that class; `difference` of the pair, 0 for bands; `standsFor` so many soils.
 */
final readonly class FutureSoil
{
    /** @param list<array{float, float}> $own ranges that sort to its class; open ends are infinite */
    public function __construct(
        public float $x,
        public int $class,
        public array $own,
        public float $difference,
        public float $standsFor = 1.0,
    ) {}

    public function standingFor(float $soils): self
    {
        return new self($this->x, $this->class, $this->own, $this->difference, $soils);
    }

    /**
     * The chance that it is sent to its own action.
     *
     * @param array{float, float} $error bias and spread
     */
    public function right(array $error): float
    {
        $chance = 0.0;
        foreach ($this->own as [$from, $to]) {
            $chance += self::between($error, $from - $this->x, $to - $this->x);
        }

        return $chance;
    }

    /**
     * The chance that a normal error lies between two values.
     *
     * @param array{float, float} $error bias and spread
     */
    public static function between(array $error, float $from, float $to): float
    {
        return self::below($error, $to) - self::below($error, $from);
    }

    /** @param array{float, float} $error */
    private static function below(array $error, float $end): float
    {
        return match (true) {
            is_infinite($end) => $end > 0 ? 1.0 : 0.0,
            $error[1] <= 0 => $error[0] < $end ? 1.0 : 0.0,
            default => Normal::cdf(($end - $error[0]) / $error[1]),
        };
    }
}
