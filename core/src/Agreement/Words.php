<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/** Figures as they stand in sentences. */
final class Words
{
    /** A share as a percentage with at most one decimal, never rounded up to a limit it does not reach. */
    public static function percent(float $share): string
    {
        return self::trim(floor($share * 1000 + 1e-9) / 10, 1).' %';
    }

    /** A number with at most the given decimals, trailing zeros dropped, a true minus. */
    public static function trim(float $value, int $decimals = 3): string
    {
        $text = number_format($value, $decimals, '.', '');
        $text = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;

        return str_replace('-', '−', $text === '-0' ? '0' : $text);
    }

    /** As many decimals as are usual, and enough for two digits of what is small: what is not nothing is never shown as 0. */
    public static function decimals(float $value, int $usual): int
    {
        $size = abs($value);

        return $size > 0 && $size < 0.1 ? max($usual, min(8, 1 - (int) floor(log10($size)))) : $usual;
    }

    public static function times(int $count): string
    {
        return match ($count) {
            0 => '0 times',
            1 => 'once',
            default => "{$count} times",
        };
    }

    public static function pairs(int $count): string
    {
        return $count === 1 ? 'pair' : 'pairs';
    }
}
