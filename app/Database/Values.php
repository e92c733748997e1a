<?php

declare(strict_types=1);

namespace App\Database;

/** What a query gives is of no known kind until it has been looked at. */
final class Values
{
    public static function whole(mixed $value): int
    {
        return is_numeric($value) ? (int) $value : 0;
    }

    public static function number(mixed $value): float
    {
        return is_numeric($value) ? (float) $value : 0.0;
    }

    public static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }

    /**
     * @param iterable<mixed> $values
     * @return list<int>
     */
    public static function wholes(iterable $values): array
    {
        $wholes = [];
        foreach ($values as $value) {
            $wholes[] = self::whole($value);
        }

        return $wholes;
    }

    /**
     * @param iterable<mixed> $values
     * @return list<float>
     */
    public static function numbers(iterable $values): array
    {
        $numbers = [];
        foreach ($values as $value) {
            $numbers[] = self::number($value);
        }

        return $numbers;
    }

    /**
     * @param iterable<mixed> $values
     * @return list<string>
     */
    public static function texts(iterable $values): array
    {
        $texts = [];
        foreach ($values as $value) {
            $texts[] = self::text($value);
        }

        return $texts;
    }
}
