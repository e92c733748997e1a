<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * A way in which a bench reading was not made as its protocol asks; any of them leaves the reading out of the verdict.
 *
 * Source: the table in data/protocol-breaks.json.
 */
final readonly class ProtocolBreak
{
    private function __construct(public string $code, public string $name) {}

    /**
     * @throws ValueOutOfRange for a code that the table lacks
     * @throws BadTable
     */
    public static function of(string $code): self
    {
        foreach (self::all() as $break) {
            if ($break->code === $code) {
                return $break;
            }
        }
        throw new ValueOutOfRange('no_protocol_break_table', [
            'code' => $code,
            'known' => implode(', ', self::codes()),
        ]);
    }

    /** The name of a break; a code that the table lacks, as of a left-out result, stands for itself. */
    public static function nameOf(string $code): string
    {
        return in_array($code, self::codes(), true) ? self::of($code)->name : $code;
    }

    /**
     * @return list<self>
     *
     * @throws BadTable
     */
    public static function all(): array
    {
        /** @var array<string, string> $rows */
        $rows = RuleTable::named('protocol-breaks')['breaks'];

        return array_map(
            static fn (string $code, string $name): self => new self($code, $name),
            array_keys($rows),
            array_values($rows),
        );
    }

    /**
     * @return list<string>
     *
     * @throws BadTable
     */
    public static function codes(): array
    {
        return array_map(static fn (self $break): string => $break->code, self::all());
    }
}
