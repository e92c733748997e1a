<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Error\BadTable;
use HonestCore\Error\CoreError;
use HonestCore\Table\RuleTable;

/**
 * The generic methods that ship.
 *
 * Source: data/methods.json and the definition files it names.
 */
final class MethodLibrary
{
    /**
     * @return array<string, MethodDefinition> by code
     *
     * @throws BadTable
     * @throws CoreError
     */
    public static function all(): array
    {
        /** @var list<string> $codes */
        $codes = RuleTable::named('methods')['codes'];
        $all = [];
        foreach ($codes as $code) {
            $all[$code] = self::get($code);
        }

        return $all;
    }

    /**
     * @throws BadTable when there is none of that code
     * @throws CoreError
     */
    public static function get(string $code): MethodDefinition
    {
        return MethodDefinition::of(RuleTable::named("method-{$code}"));
    }
}
