<?php

declare(strict_types=1);

namespace HonestCore\Custody;

/**
 * Check character of a sample code: finds every single wrong character and nearly every swap of neighbours.
 *
 * Domain: letters and digits; case, blanks and hyphens do not count.
 * Source: ISO 7064 hybrid system MOD 37,36.
 */
final class CheckCharacter
{
    private const ALPHABET = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ';

    public static function of(string $code): string
    {
        $product = 36;
        foreach (str_split(self::plain($code)) as $character) {
            $sum = ($product + (int) strpos(self::ALPHABET, $character)) % 36;
            $product = (($sum === 0 ? 36 : $sum) * 2) % 37;
        }

        return self::ALPHABET[(37 - $product) % 36];
    }

    /** Is the last letter or digit the check character of those before it? */
    public static function fits(string $code): bool
    {
        $plain = self::plain($code);

        return strlen($plain) > 1 && self::of(substr($plain, 0, -1)) === substr($plain, -1);
    }

    private static function plain(string $code): string
    {
        return (string) preg_replace('/[^0-9A-Z]/', '', strtoupper($code));
    }
}
