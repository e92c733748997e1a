<?php

declare(strict_types=1);

namespace HonestCore\Bench;

final class Duration
{
    /**
     * A span of time as people say it.
     *
     * Quantity and unit: seconds; tenths below ten seconds, whole seconds to two minutes, then minutes, hours and days.
     *
     * @pure
     */
    public static function words(float $seconds): string
    {
        return match (true) {
            $seconds < 10 && round($seconds, 1) !== floor($seconds) => number_format($seconds, 1).' s',
            $seconds < 120 => number_format($seconds).' s',
            $seconds < 7200 => self::pair((int) round($seconds), 60, 'min', 's'),
            $seconds < 172_800 => self::pair((int) round($seconds / 60), 60, 'h', 'min'),
            default => self::pair((int) round($seconds / 3600), 24, 'days', 'h'),
        };
    }

    /** @pure */
    private static function pair(int $small, int $each, string $unit, string $smaller): string
    {
        $rest = $small % $each;

        return intdiv($small, $each)." {$unit}".($rest === 0 ? '' : " {$rest} {$smaller}");
    }
}
