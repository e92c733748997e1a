<?php

declare(strict_types=1);

namespace App\Sharing;

use Illuminate\Support\Facades\RateLimiter;

/** An address that is its own key: whoever holds its token reads one thing, with nobody signed in. Only its hash is kept. */
final class SecretAddress
{
    private const BYTES = 32;

    private const LONGEST = 64;

    /** Wrong addresses that one place may try in a minute. Right ones are not counted, for counting would write. */
    private const MOST_MISSES = 30;

    public static function token(): string
    {
        return rtrim(strtr(base64_encode(random_bytes(self::BYTES)), '+/', '-_'), '=');
    }

    public static function hash(string $token): string
    {
        return hash('sha256', $token);
    }

    public static function isToken(string $token): bool
    {
        return strlen($token) <= self::LONGEST;
    }

    /** What a wrong address is answered with: not found, until one place tried too many. */
    public static function missed(string $kind, ?string $place): int
    {
        $many = RateLimiter::tooManyAttempts("{$kind} {$place}", self::MOST_MISSES);
        RateLimiter::hit("{$kind} {$place}");

        return $many ? 429 : 404;
    }
}
