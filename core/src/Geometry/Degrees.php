<?php

declare(strict_types=1);

namespace HonestCore\Geometry;

use HonestCore\Table\Number;

/**
 * An angle as people write it: 42.9133, 42,9133, 42°54'48"N, 42 54 48 N, N42 54.8.
 *
 * Quantity and unit: degrees; south and west are negative.
 * Domain: minutes and seconds below 60; an angle that carries both a sign and a letter, or is none, is null.
 */
final class Degrees
{
    public static function parse(string $text): ?float
    {
        $plain = trim(
            str_replace(
                ['−', '’', '′', '‘', '”', '″', '“', "''", 'º', '˚'],
                ['-', "'", "'", "'", '"', '"', '"', '"', '°', '°'],
                $text,
            ),
        );
        $number =
            Number::parse($plain) ??
            (preg_match('/^-?\d{1,3},\d+$/', $plain) === 1 ? Number::parse(str_replace(',', '.', $plain)) : null);
        if ($number !== null) {
            return $number;
        }
        $value =
            '(\d{1,3}(?:[.,]\d+)?)\s*(?:°|d|deg|\s|:)?\s*(?:(\d{1,2}(?:[.,]\d+)?)\s*(?:\'|m|min|\s|:)?\s*(?:(\d{1,'.
                '2}(?:[.,]\d+)?)\s*(?:"|s|sec)?)?)?';
        if (preg_match("/^([NSEWOnsewo])?\\s*(-)?\\s*{$value}\\s*([NSEWOnsewo])?$/u", $plain, $m) !== 1) {
            return null;
        }

        return self::ofParts($m[1] !== '' ? $m[1] : $m[6] ?? '', $m[2] === '-', [$m[3], $m[4] ?? '', $m[5] ?? '']);
    }

    /** @param array{string, string, string} $written degrees, minutes and seconds, the latter empty where not said */
    private static function ofParts(string $side, bool $minus, array $written): ?float
    {
        $letter = strtoupper($side);
        $parts = array_map(
            static fn (string $part): float => (float) str_replace(',', '.', $part === '' ? '0' : $part),
            $written,
        );
        if (
            $parts[1] >= 60 ||
            $parts[2] >= 60 ||
            ($minus && $letter !== '') ||
            ($letter === '' && $written[1] === '')
        ) {
            return null;
        }
        $degrees = $parts[0] + $parts[1] / 60 + $parts[2] / 3600;

        return $minus || in_array($letter, ['S', 'W', 'O'], true) ? -$degrees : $degrees;
    }
}
