<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Agronomy\Lime\LimeSchool;
use HonestCore\Agronomy\Lime\SmpBuffer;
use HonestCore\Agronomy\Lime\SoilAcidity;

/**
 * What the buffers of two schools would show of practice soil, so that their rates come to the lime that the ground takes up.
 *
 * Quantity and unit: pH of the buffer suspension; of soil that needs no lime a little above where the table of the school ends.
 * Variant: the school's rate for 6.5 turned round, in closed form for Mehlich, by halving for SMP.
 * Source: as MehlichBuffer and SmpBuffer.
 */
final class BufferOfGround
{
    private const WANTED = 6.5;

    private const DEPTH_IN = 6.0;

    private const MEHLICH_TOP = 6.6;

    private const SMP_TOP = 6.8;

    private const SMP_LOW = 4.8;

    private const RISE = 0.15;

    public static function mehlich(PracticeGround $ground, float $ph): float
    {
        if ($ph >= self::WANTED) {
            return self::MEHLICH_TOP + self::RISE * ($ph - self::WANTED);
        }
        $acidity = (self::tons(LimeSchool::Mehlich, $ground, $ph) * (self::MEHLICH_TOP - $ph)) / (self::WANTED - $ph);

        return self::MEHLICH_TOP - 0.25 * $acidity;
    }

    public static function smp(PracticeGround $ground, float $ph): float
    {
        if ($ph >= self::WANTED) {
            return self::SMP_TOP + self::RISE * ($ph - self::WANTED);
        }
        $tons = self::tons(LimeSchool::Smp, $ground, $ph);
        [$low, $high] = [self::SMP_LOW, self::SMP_TOP];
        for ($i = 0; $i < 40; $i++) {
            $middle = ($low + $high) / 2;
            $rate = SmpBuffer::rate(SoilAcidity::near($ph, $middle), self::WANTED)->tonsPerAcre ?? 0.0;
            [$low, $high] = $rate > $tons ? [$middle, $high] : [$low, $middle];
        }

        return $low;
    }

    /** The lime that the ground takes up, in the stone and the depth of a school. */
    private static function tons(LimeSchool $school, PracticeGround $ground, float $ph): float
    {
        return ($ground->limeNeeded($ph, self::WANTED) * (($school->depthIn() ?? self::DEPTH_IN) / self::DEPTH_IN)) /
            $school->effectiveness();
    }
}
