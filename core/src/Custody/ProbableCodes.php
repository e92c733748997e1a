<?php

declare(strict_types=1);

namespace HonestCore\Custody;

/**
 * Codes that may have been meant by one that was typed or scanned wrong.
 *
 * Rule: one wrong character, or two neighbours swapped; only codes whose check character fits are given, and the
 * caller keeps
 *   those that exist.
 * Source: the kinds of slips that ISO 7064 check characters are made for.
 */
final class ProbableCodes
{
    private const ALPHABET = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ';

    /**
     * The code as labels carry it: capitals, a hyphen after the year and before the check character; others as typed.
     */
    public static function tidy(string $typed): string
    {
        $plain = (string) preg_replace('/[^0-9A-Z]/', '', strtoupper($typed));

        return preg_match('/^([A-Z]{2,3}\d\d)(\d{2,5}[A-Z]?)([0-9A-Z])$/D', $plain, $m) === 1
            ? "{$m[1]}-{$m[2]}-{$m[3]}"
            : strtoupper(trim($typed));
    }

    /** @return list<string> tidy codes, each once */
    public static function of(string $typed): array
    {
        $plain = (string) preg_replace('/[^0-9A-Z]/', '', strtoupper($typed));
        $length = strlen($plain);
        if ($length < 6 || $length > 14) {
            return [];
        }
        $found = [];
        for ($i = 0; $i < $length; $i++) {
            foreach (str_split(self::ALPHABET) as $character) {
                $found[] = substr_replace($plain, $character, $i, 1);
            }
            if ($i > 0) {
                $found[] = substr_replace($plain, $plain[$i].$plain[$i - 1], $i - 1, 2);
            }
        }
        $found = array_filter($found, static fn (string $code): bool => $code !== $plain && CheckCharacter::fits($code));

        return array_values(array_unique(array_map(self::tidy(...), $found)));
    }
}
