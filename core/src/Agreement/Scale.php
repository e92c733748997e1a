<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/** The scale on which differences between two methods are taken. */
enum Scale: string
{
    case Absolute = 'absolute';
    case Ratio = 'ratio';

    /**
     * A reading on this scale: itself, or its natural logarithm.
     *
     * Domain: finite; above 0 on the ratio scale.
     *
     * @pure
     */
    public function of(float $reading): float
    {
        return $this === self::Ratio ? log($reading) : $reading;
    }

    /**
     * A stated tolerance on this scale: itself, or ln(1 + tolerance), so that 0.2 means a factor of 1.2.
     *
     * @pure
     */
    public function tolerance(float $stated): float
    {
        return $this === self::Ratio ? log1p($stated) : $stated;
    }
}
