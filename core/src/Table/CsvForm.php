<?php

declare(strict_types=1);

namespace HonestCore\Table;

/**
 * How a CSV is written for the program that will read it: what parts cells and decimals, and whether a mark of its encoding
 * comes first, by which spreadsheets know UTF-8.
 */
final readonly class CsvForm
{
    public const COMMA = 'comma';

    public const SEMICOLON = 'semicolon';

    public const TAB = 'tab';

    public const NAMES = [self::COMMA, self::SEMICOLON, self::TAB];

    private const SIGNS = [self::COMMA => ',', self::SEMICOLON => ';', self::TAB => "\t"];

    private const BYTE_ORDER_MARK = "\u{FEFF}";

    private function __construct(public string $separator, public string $decimal, public string $begin) {}

    /** As RFC 4180 has it, without a mark. */
    public static function usual(): self
    {
        return self::named(self::COMMA, false);
    }

    /** Where semicolons part cells, commas part decimals: that is how the places write that use them. */
    public static function named(string $name, bool $isMarked): self
    {
        return new self(self::SIGNS[$name] ?? ',', $name === self::SEMICOLON ? ',' : '.', $isMarked ? self::BYTE_ORDER_MARK : '');
    }
}
