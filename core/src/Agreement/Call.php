<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Error\ValueOutOfRange;

/**
 * Which action one result calls for, or that it lies too close to a limit to say.
 *
 * Quantity and unit: value, interval and limits in the analyte's unit on the reference scale.
 * Variant: an interval that reaches over a limit is too close to call; one that ends on a limit belongs above it, as a
 * value
 *   does. A result that is known to lie below (or above) a figure is an interval with an open end.
 * Source: decision rule with a guard band of the expanded uncertainty, as in the Eurachem/CITAC guide "Use of
 * uncertainty
 *   information in compliance assessment" (from memory).
 */
final readonly class Call
{
    /** @param list<int> $classes all that the interval touches, ascending */
    private function __construct(
        public float $from,
        public float $to,
        public array $classes,
        public ?float $nearestLimit,
    ) {}

    /**
     * A value with its expanded uncertainty; with none known the value alone is asked.
     *
     * @throws ValueOutOfRange
     */
    public static function ofValue(float $value, ?float $expanded, ActionLimits $limits): self
    {
        if (! is_finite($value)) {
            throw new ValueOutOfRange('result', ['value' => $value]);
        }
        if ($expanded !== null && ! ($expanded >= 0 && is_finite($expanded))) {
            throw new ValueOutOfRange('expanded_uncertainty', ['value' => $expanded]);
        }

        return self::ofInterval($value - ($expanded ?? 0.0), $value + ($expanded ?? 0.0), $limits);
    }

    /** An interval, as of "below 0.5" or of a range; an open end is infinite. */
    public static function ofInterval(float $from, float $to, ActionLimits $limits): self
    {
        if (is_nan($from) || is_nan($to) || $from > $to) {
            throw new ValueOutOfRange('interval_upside_down');
        }
        [$low, $high] = [$limits->classOfComputed($from), $limits->classOfComputed($to)];
        $middle = is_finite($from) && is_finite($to) ? ($from + $to) / 2 : (is_finite($to) ? $to : $from);
        $nearest = null;
        foreach ($limits->values as $limit) {
            if (is_finite($middle) && ($nearest === null || abs($limit - $middle) < abs($nearest - $middle))) {
                $nearest = $limit;
            }
        }

        return new self($from, $to, range($low, $high), $nearest);
    }

    /** The action class, or null when it is too close to call. */
    public function class(): ?int
    {
        return count($this->classes) === 1 ? $this->classes[0] : null;
    }

    public function isTooClose(): bool
    {
        return $this->class() === null;
    }

    /**
     * How many values are too close to call, each by the limits of its own ground.
     *
     * @param list<array{float, ActionLimits}> $values
     */
    public static function countTooClose(array $values, float $expanded): int
    {
        return count(array_filter(
            $values,
            static fn (array $one): bool => self::ofValue($one[0], $expanded, $one[1])->isTooClose(),
        ));
    }

    /** Do two results call for different actions, whatever their uncertainty? */
    public function contradicts(self $other): bool
    {
        return array_intersect($this->classes, $other->classes) === [];
    }
}
