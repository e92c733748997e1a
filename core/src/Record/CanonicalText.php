<?php

declare(strict_types=1);

namespace HonestCore\Record;

/**
 * One text for one content, so that it can be hashed: fields by name in the order of their names, JSON with no blanks,
 * numbers by the fewest digits that give the same number back.
 */
final class CanonicalText
{
    /**
     * @param array<string, string|int|float|null> $fields
     */
    public static function of(array $fields): string
    {
        ksort($fields, SORT_STRING);

        return json_encode(
            $fields,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /**
     * @param array<string, string|int|float|null> $fields
     */
    public static function hash(array $fields): string
    {
        return hash('sha256', self::of($fields));
    }
}
