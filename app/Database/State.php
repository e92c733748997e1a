<?php

declare(strict_types=1);

namespace App\Database;

use App\Exceptions\Conflict;

/** Names what a record holds, so that an edit which began from something else is not taken without a word. */
final class State
{
    private const LETTERS = 16;

    public static function of(mixed $holds): string
    {
        return substr(hash('sha256', json_encode($holds, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)), 0, self::LETTERS);
    }

    /**
     * Nothing is asked where no state was said.
     *
     * @param mixed $based the state that the edit began from, as it was sent
     *
     * @throws Conflict
     */
    public static function check(string $now, mixed $based, string $name): void
    {
        if (is_string($based) && $based !== '' && $based !== $now) {
            throw Conflict::because('record_changed', name: $name);
        }
    }
}
