<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Table\RuleTable;

/**
 * What a cell of a lab report says, as it says it: a number, one below or above a limit, a range, a trace, a rating in
 * words, or nothing.
 *
 * Quantity and unit: numbers in the unit of the column, or in the unit that the cell itself names.
 * Domain: marks of decimals and thousands are read in the style of the file.
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

    /** Nothing, and it is not said why: not determined, or not detected; or a formula that failed. */
    public const EITHER = 'either';

    /** A number that could be read in two ways. */
    public const UNSETTLED = 'unsettled';

    public const UNREADABLE = 'unreadable';

    private function __construct(
        public string $kind,
        public ?float $number = null,
        public ?float $upper = null,
        public string $words = '',
        public string $unit = '',
        public bool $marked = false,
    ) {}

    public static function read(string $cell, NumberStyle $style): self
    {
        $text = trim(str_replace(["\u{a0}", "\u{202f}"], ' ', $cell));
        if (strlen($text) < 16 && preg_match('/^\d+(\.\d{1,2})?$/', $text) === 1 && $style->mark() === '.') {
            return new self(self::NUMBER, (float) $text);
        }

        return self::inWords($text) ?? self::inFigures($text, $style);
    }

    /** Is it a word that stands in the place of a number, other than a dash? */
    public static function isWord(string $cell): bool
    {
        $word = self::inWords(trim($cell));

        return $word !== null && ! in_array(mb_strtolower(trim($cell)), ['', '-', '--', 'n/a', 'none'], true);
    }

    private static function inWords(string $text): ?self
    {
        $lower = mb_strtolower($text);
        /**
         * @var array{absent: list<string>, either: list<string>, errors: list<string>, trace: list<string>,
         * ratings: list<string>} $table
         */
        $table = RuleTable::named('report-words');

        return match (true) {
            in_array($lower, $table['absent'], true) => new self(self::ABSENT),
            in_array($lower, $table['either'], true), in_array($lower, $table['errors'], true) => new self(
                self::EITHER,
                words: $text,
            ),
            in_array($lower, $table['trace'], true) => new self(self::TRACE, words: $text),
            in_array($lower, $table['ratings'], true) => new self(self::RATING, words: $text),
            default => null,
        };
    }

    private static function inFigures(string $text, NumberStyle $style): self
    {
        $number = '[+−-]?\s?(?:\d[\d.,\'’]*(?:[ ]\d{3}(?!\d))*[\d.,]*|\.\d+)(?:[eE][+-]?\d{1,3})?';
        $unit = '\s*([%#(\p{L}][^<>]{0,24})?([*†‡]{0,3})';
        if (
            preg_match(
                "/^(<=?|>=?|≤|≥|less than|below|under|above|more than|over)\\s*({$number}){$unit}$/iu",
                $text,
                $m,
            ) === 1
        ) {
            $below = in_array(mb_strtolower($m[1]), ['<', '<=', '≤', 'less than', 'below', 'under'], true);

            return self::settled(
                $below ? self::BELOW : self::ABOVE,
                $text,
                $style,
                $m[2],
                null,
                trim($m[3]),
                $m[4] !== '',
            );
        }
        $positive = '(?:\d[\d.,\'’]*|\.\d+)(?:[eE][+-]?\d{1,3})?';
        if (preg_match("/^({$positive})\\s*(?:-|–|to|bis)\\s*({$positive}){$unit}$/iu", $text, $m) === 1) {
            [$from, $to] = [$style->parse($m[1]), $style->parse($m[2])];
            $isRange = $from !== null && $to !== null && $from <= $to;

            return $isRange
                ? new self(self::RANGE, $from, $to, unit: self::unit(trim($m[3])))
                : new self(
                    $style->isUnsettled($m[1]) || $style->isUnsettled($m[2]) ? self::UNSETTLED : self::UNREADABLE,
                    words: $text,
                );
        }
        if (preg_match("/^({$number}){$unit}$/iu", $text, $m) === 1) {
            return self::settled(self::NUMBER, $text, $style, $m[1], null, trim($m[2]), $m[3] !== '');
        }

        return new self(self::UNREADABLE, words: mb_substr($text, 0, 60));
    }

    private static function settled(
        string $kind,
        string $text,
        NumberStyle $style,
        string $digits,
        ?float $upper,
        string $unit,
        bool $marked,
    ): self {
        if ($style->isUnsettled($digits)) {
            return new self(self::UNSETTLED, words: $text);
        }
        $value = $style->parse($digits);

        return $value === null
            ? new self(self::UNREADABLE, words: mb_substr($text, 0, 60))
            : new self($kind, $value, $upper, unit: self::unit($unit), marked: $marked);
    }

    /** A rating beside its number, as in "45 H" or "45 (high)", is no unit. */
    private static function unit(string $text): string
    {
        /** @var array{ratings: list<string>} $table */
        $table = RuleTable::named('report-words');

        return in_array(mb_strtolower(trim($text, ' ()[]')), $table['ratings'], true) ? '' : $text;
    }

    /** Has it a figure that can be compared with others? */
    public function isNumber(): bool
    {
        return $this->kind === self::NUMBER;
    }

    /** Is there nothing to keep: an empty cell, or one that says only that there is nothing? */
    public function isMissing(): bool
    {
        return in_array($this->kind, [self::ABSENT, self::EITHER], true);
    }
}
