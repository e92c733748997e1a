<?php

declare(strict_types=1);

namespace HonestCore\Jar;

use HonestCore\Bench\MethodStep;
use HonestCore\Error\ValueOutOfRange;

/**
 * Gives the waits of a method that go by Stokes' law their seconds, for one jar and its water.
 *
 * Quantity and unit: depth of water in centimetres, temperature in °C.
 * Variant: each wait lasts until grains of its size have sunk through the whole depth, counted from the end of shaking;
 *   a reading may be a tenth of that time early and a quarter late: the product's own tolerance, at least 5 s each way.
 */
final class JarSteps
{
    /**
     * @param non-empty-list<MethodStep> $steps
     * @return non-empty-list<MethodStep>
     *
     * @throws ValueOutOfRange
     */
    public static function timed(array $steps, float $depthCm, float $celsius): array
    {
        $before = 0.0;
        $timed = [];
        foreach ($steps as $step) {
            if ($step->stokesMicrometres === null) {
                $timed[] = $step;

                continue;
            }
            $sunk = Stokes::secondsToSink($step->stokesMicrometres, $depthCm, $celsius);
            $wait = $sunk - $before;
            $timed[] = $step->lasting(
                (int) floor($wait - max(5.0, $wait / 10)),
                (int) round($wait),
                (int) ceil($wait + max(5.0, $wait / 4)),
            );
            $before = $sunk;
        }

        return $timed;
    }
}
