<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * How far two labs lie apart on the same composites, and how often they call for the same action.
 *
 * Quantity and unit: differences other less one in the analyte's unit, or natural logs on the ratio scale; counts.
 * Variant: limits of agreement at 95 %, see Differences.
 */
final readonly class LabsApart
{
    private const CONFIDENCE = 0.95;

    private function __construct(public Differences $differences, public int $n, public int $same, public int $close) {}

    /**
     * @param list<array{float, float, ActionLimits|null, bool}> $means of one and the other, the limits of the ground,
     *                                                                  and whether either is too close to call
     */
    public static function of(array $means, Scale $scale): ?self
    {
        [$x, $y, $same, $close] = [[], [], 0, 0];
        foreach ($means as [$a, $b, $limits, $isClose]) {
            if ($limits !== null) {
                $same += $limits->classOfComputed($a) === $limits->classOfComputed($b) ? 1 : 0;
                $close += $isClose ? 1 : 0;
            }
            if ($scale === Scale::Absolute || ($a > 0 && $b > 0)) {
                $x[] = $scale->of($a);
                $y[] = $scale->of($b);
            }
        }

        return $x === []
            ? null
            : new self(Differences::between($x, $y, self::CONFIDENCE), count($x), $same, $close);
    }
}
