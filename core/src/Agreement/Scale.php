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
     * An end of a range on this scale; on the ratio scale one at zero or less is open, for there it has no end.
     *
     * @pure
     */
    public function end(float $end): float
    {
        return $this === self::Ratio ? log(max(0.0, $end)) : $end;
    }

    /**
     * A place on this scale as a figure of the reference again.
     *
     * @pure
     */
    public function back(float $place): float
    {
        return $this === self::Ratio ? exp($place) : $place;
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
