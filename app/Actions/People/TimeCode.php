<?php

declare(strict_types=1);

namespace App\Actions\People;

use ParagonIE\ConstantTime\Base32;

/**
 * Codes that an authenticator shows: six digits of HMAC-SHA-1 over the number of half minutes since 1970.
 *
 * Source: RFC 6238 with the truncation of RFC 4226; a code of the half minute before or after is taken too, for clocks differ.
 */
final class TimeCode
{
    private const SECONDS = 30;

    private const DIGITS = 6;

    private const BYTES = 20;

    private const DRIFT = 1;

    /** @return string a new secret in base 32, as authenticators take it */
    public static function secret(): string
    {
        return Base32::encodeUpperUnpadded(random_bytes(self::BYTES));
    }

    public static function at(string $secret, int $step): string
    {
        $mac = hash_hmac('sha1', pack('J', $step), Base32::decodeUpper($secret), true);
        $from = ord($mac[19]) & 0x0F;
        /** @var array{1: int} $word */
        $word = unpack('N', substr($mac, $from, 4));

        return str_pad((string) (($word[1] & 0x7FFF_FFFF) % 10 ** self::DIGITS), self::DIGITS, '0', STR_PAD_LEFT);
    }

    /** @return int|null the half minute that a code is of; null where it is wrong, or was used before */
    public static function step(string $secret, string $code, int $now, int $lastUsed): ?int
    {
        $code = (string) preg_replace('/\s/', '', $code);
        $current = intdiv($now, self::SECONDS);
        $found = null;
        for ($step = $current - self::DRIFT; $step <= $current + self::DRIFT; $step++) {
            if (hash_equals(self::at($secret, $step), $code) && $step > $lastUsed) {
                $found = $step;
            }
        }

        return $found;
    }

    /** As a picture for an authenticator has it. */
    public static function uri(string $secret, string $account): string
    {
        return 'otpauth://totp/'.rawurlencode("Honest Core:{$account}")."?secret={$secret}&issuer=".rawurlencode('Honest Core');
    }
}
