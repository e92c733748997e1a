<?php

declare(strict_types=1);

namespace HonestCore\Table;

use HonestCore\Error\BadTable;

/**
 * A rule table that ships with the core: a JSON file with its source under `source`. For the length of one computation
 * a team's own tables may stand in the place of those that ship.
 */
final class RuleTable
{
    private const FOLDER = __DIR__.'/../../data/';

    /** @var array<string, array<string, mixed>> */
    private static array $read = [];

    /** @var array<string, array<string, mixed>> */
    private static array $replaced = [];

    /**
     * @return array<string, mixed>
     *
     * @throws BadTable
     */
    public static function named(string $name): array
    {
        return self::$replaced[$name] ?? self::shipped($name);
    }

    /**
     * The table as it ships, whatever stands in its place.
     *
     * @return array<string, mixed>
     *
     * @throws BadTable
     */
    public static function shipped(string $name): array
    {
        return self::$read[$name] ??= self::read($name);
    }

    /**
     * Computes with other tables in the place of those that ship; afterwards all is as before.
     *
     * @template T
     *
     * @param array<string, array<string, mixed>> $tables by name
     * @param \Closure(): T $compute
     * @return T
     */
    public static function replacing(array $tables, \Closure $compute): mixed
    {
        $before = self::$replaced;
        self::$replaced = $tables + $before;
        try {
            return $compute();
        } finally {
            self::$replaced = $before;
        }
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadTable
     */
    private static function read(string $name): array
    {
        $text = preg_match('/^[a-z0-9-]+$/', $name) === 1 ? @file_get_contents(self::FOLDER.$name.'.json') : false;
        $table = $text === false ? null : json_decode($text, true);
        if (! is_array($table) || ! is_string($table['source'] ?? null)) {
            throw new BadTable('rule_table_not_read', ['name' => $name]);
        }

        /** @var array<string, mixed> $table */
        return $table;
    }
}
