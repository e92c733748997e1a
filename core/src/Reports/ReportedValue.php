<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Table\RuleTable;

/**
 * What a cell of a lab report says, as it says it: a number, one below or above a limit, a range, a trace, a rating in
 * words, or nothing.
 *
 * Quantity and unit: numbers in the unit of the column, or in the unit that the cell itself names.
 * Domain: a decimal comma is read as one only when the file was said to have it.
 * Source: the table in data/report-words.json.
 */
final readonly class ReportedValue
{
    public const NUMBER = 'number';

    public const BELOW = 'below';

    public const ABOVE = 'above';

    public const RANGE = 'range';

    public const TRACE = 'trace';

    public const RATING = 'rating';

    public const ABSENT = 'absent';

    public const UNREADABLE = 'unreadable';

    private function __construct(public string $kind, public ?float $number = null, public ?float $upper = null, public string $words = '', public string $unit = '') {}

    public static function read(string $cell, bool $decimalComma = false): self
    {
        $text = trim(str_replace("\u{a0}", ' ', $cell));
        $lower = mb_strtolower($text);
        /** @var array{absent: list<string>, trace: list<string>, ratings: list<string>} $table */
        $table = RuleTable::named('report-words');
        if (in_array($lower, $table['absent'], true)) {
            return new self(self::ABSENT);
        }
        if (in_array($lower, $table['trace'], true)) {
            return new self(self::TRACE, words: $text);
        }
        if (in_array($lower, $table['ratings'], true)) {
            return new self(self::RATING, words: $text);
        }
        $number = $decimalComma ? '[+-]?\d{1,12}(?:,\d{1,12})?' : '[+-]?\d{1,12}(?:\.\d{1,12})?(?:[eE][+-]?\d{1,2})?';
        $unit = '\s*([%\p{L}][^<>]{0,20})?';
        if (preg_match("/^(<=?|>=?|≤|≥|less than|below|above)\\s*({$number}){$unit}$/iu", $text, $m) === 1) {
            $below = in_array(mb_strtolower($m[1]), ['<', '<=', '≤', 'less than', 'below'], true);

            return new self($below ? self::BELOW : self::ABOVE, self::float($m[2], $decimalComma), unit: trim($m[3] ?? ''));
        }
        if (preg_match("/^({$number})\\s*(?:-|–|to)\\s*(\\d{$number}|{$number}){$unit}$/iu", $text, $m) === 1) {
            [$from, $to] = [self::float($m[1], $decimalComma), self::float($m[2], $decimalComma)];

            return $from <= $to ? new self(self::RANGE, $from, $to, unit: trim($m[3] ?? '')) : new self(self::UNREADABLE, words: $text);
        }
        if (preg_match("/^({$number}){$unit}$/u", $text, $m) === 1) {
            return new self(self::NUMBER, self::float($m[1], $decimalComma), unit: trim($m[2] ?? ''));
        }

        return new self(self::UNREADABLE, words: mb_substr($text, 0, 60));
    }

    /** Has it a figure that can be compared with others? */
    public function isNumber(): bool
    {
        return $this->kind === self::NUMBER;
    }

    private static function float(string $text, bool $decimalComma): float
    {
        return (float) ($decimalComma ? str_replace(',', '.', $text) : $text);
    }
}
