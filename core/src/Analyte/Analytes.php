<?php

declare(strict_types=1);

namespace HonestCore\Analyte;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * All analytes this program knows: the one place that lists them.
 *
 * Source: the table in data/analytes.json.
 */
final class Analytes
{
    /** @return array<string, Analyte> by code, in the order they are offered */
    public static function all(): array
    {
        /** @var array<string, Analyte>|null $all */
        static $all = null;
        if ($all === null) {
            /**
             * @var list<array{code: string, name: string, home: string, range: array{float|int, float|int},
             * digits: int, symbols: list<string>, words: list<string>, element?: string, charge?: int, forms?: list<string>,
             * group: string, needs_extractant: bool, beside?: bool}> $rows
             */
            $rows = RuleTable::named('analytes')['analytes'];
            $all = [];
            foreach ($rows as $row) {
                $all[$row['code']] = new Analyte(
                    $row['code'],
                    $row['name'],
                    $row['home'],
                    (float) $row['range'][0],
                    (float) $row['range'][1],
                    $row['digits'],
                    $row['symbols'],
                    $row['words'],
                    $row['element'] ?? '',
                    $row['charge'] ?? null,
                    $row['forms'] ?? [],
                    $row['group'],
                    $row['needs_extractant'],
                    ! ($row['beside'] ?? false),
                );
            }
        }

        return $all;
    }

    /** @return list<string> the codes that scripts may use */
    public static function codes(): array
    {
        return array_keys(array_filter(self::all(), static fn (Analyte $one): bool => $one->isOfContract));
    }

    /** The analyte of a code, or null. */
    public static function find(string $code): ?Analyte
    {
        return self::all()[$code] ?? null;
    }

    /** @throws ValueOutOfRange for a code that the table lacks */
    public static function get(string $code): Analyte
    {
        return self::find($code) ??
            throw new ValueOutOfRange('analyte_without_unit', [
                'code' => $code,
                'known' => implode(', ', array_keys(self::all())),
            ]);
    }

    /** The name of an analyte, or its code where it is not known. */
    public static function name(string $code): string
    {
        return self::find($code)->name ?? $code;
    }
}
