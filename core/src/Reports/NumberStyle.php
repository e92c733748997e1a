<?php

declare(strict_types=1);

namespace HonestCore\Reports;

/**
 * How a file writes its numbers: which mark stands before the decimals, as all its cells together tell.
 *
 * Domain: `1,200` is a thousand two hundred beside 6.5 and one and a fifth beside 6,5; where no other cell settles it,
 * it is
 *   neither. A person may say which it is.
 * Source: common practice; ISO 80000-1 lets the mark be either.
 */
final readonly class NumberStyle
{
    private const NUMBER = '/^[<>≤≥=~±+−-]{0,2}\s*([\d][\d.,\'’ '.
        '\x{a0}\x{202f}]*|\.\d+)(?:[eE][+-]?\d+)?(?:\s*[^\d\s].*)?$/u';

    private function __construct(
        private bool $points,
        private bool $commas,
        private bool $said = false,
        private bool $open = false,
    ) {}

    public static function point(): self
    {
        return new self(true, false, true);
    }

    public static function comma(): self
    {
        return new self(false, true, true);
    }

    /** @param iterable<string> $cells */
    public static function of(iterable $cells): self
    {
        [$points, $commas, $open] = [false, false, false];
        foreach ($cells as $cell) {
            if (
                (! str_contains($cell, ',') && ! str_contains($cell, '.')) ||
                strlen($cell) > 60 ||
                preg_match(self::NUMBER, $cell, $m) !== 1
            ) {
                continue;
            }
            $mark = self::markOf(self::tight($m[1]));
            $points = $points || $mark === '.';
            $commas = $commas || $mark === ',';
            $open = $open || $mark === '?';
        }

        return new self($points, $commas, false, $open);
    }

    /** The decimal mark of the file. */
    public function mark(): string
    {
        return $this->commas && ! $this->points ? ',' : '.';
    }

    /** Do both marks stand before decimals in this file? */
    public function isMixed(): bool
    {
        return ! $this->said && $this->points && $this->commas;
    }

    /** The finite number that digits and marks stand for; null where they are none or could be two. */
    public function parse(string $text): ?float
    {
        [$sign, $tight] = self::signed($text);
        if ($tight === '' || $this->isUnsettled($text)) {
            return null;
        }
        $exponent = '';
        if (preg_match('/^(.*)([eE][+-]?\d{1,3})$/', $tight, $m) === 1) {
            [, $tight, $exponent] = $m;
        }
        $plain = $this->plain($tight);
        $value = $plain === null || strlen($plain) > 40 ? NAN : (float) "{$sign}{$plain}{$exponent}";

        return is_finite($value) ? $value : null;
    }

    /** Can it be read in two ways, and does nothing in the file say which? */
    public function isUnsettled(string $text): bool
    {
        [, $tight] = self::signed($text);
        if ($this->said || ($this->points xor $this->commas)) {
            return false;
        }

        return preg_match('/^[1-9]\d{0,2},\d{3}$/', $tight) === 1 ||
            (($this->open || $this->commas) && preg_match('/^[1-9]\d{0,2}\.\d{3}$/', $tight) === 1);
    }

    /** Digits with a decimal point, or null for what is no number in this style. */
    private function plain(string $tight): ?string
    {
        return match (true) {
            preg_match('/^\d+$|^\d*\.\d+$|^\d+\.$/', $tight) === 1 => $this->pointed($tight),
            $this->isGrouped($tight) => $this->unlessCommas(str_replace(',', '', $tight)),
            preg_match('/^[1-9]\d{0,2}(\.\d{3}){1,6},\d+$|^[1-9]\d{0,2}(\.\d{3}){2,6}$/', $tight) === 1
                => $this->unlessPoints(str_replace(['.', ','], ['', '.'], $tight)),
            preg_match('/^\d*,\d+$/', $tight) === 1 => $this->unlessPoints(str_replace(',', '.', $tight)),
            default => null,
        };
    }

    /** Digits that may have a point: a decimal one, or one of thousands where commas are decimal. */
    private function pointed(string $tight): ?string
    {
        $thousands = $this->commas && ! $this->points && preg_match('/^[1-9]\d{0,2}\.\d{3}$/', $tight) === 1;
        if ($thousands) {
            return str_replace('.', '', $tight);
        }

        return str_contains($tight, '.') ? $this->unlessCommas($tight) : $tight;
    }

    /** Are its commas those of thousands? */
    private function isGrouped(string $tight): bool
    {
        if (preg_match('/^[1-9]\d{0,2}(,\d{3}){1,6}\.\d+$/', $tight) === 1) {
            return true;
        }
        $onlyPoints = ! $this->commas && ($this->points || $this->said);

        return preg_match('/^[1-9]\d{0,2}(,\d{3}){1,6}$/', $tight) === 1 &&
            (substr_count($tight, ',') > 1 || $onlyPoints);
    }

    /** Null where it was said that the decimal mark is a comma. */
    private function unlessCommas(string $number): ?string
    {
        return $this->said && $this->commas ? null : $number;
    }

    /** Null where it was said that the decimal mark is a point. */
    private function unlessPoints(string $number): ?string
    {
        return $this->said && ! $this->commas ? null : $number;
    }

    /** The decimal mark that a number shows by itself; a question mark where it could be either. */
    private static function markOf(string $tight): string
    {
        return match (true) {
            preg_match('/^[1-9]\d{0,2},\d{3}$/', $tight) === 1 => '?',
            preg_match('/^[1-9]\d{0,2}\.\d{3}$/', $tight) === 1 => '',
            preg_match('/^[1-9]\d{0,2}(,\d{3}){2,6}$|^\d{1,3}(,\d{3})+\.\d+$|^\d*\.\d+$/', $tight) === 1 => '.',
            preg_match('/^[1-9]\d{0,2}(\.\d{3}){2,6}$|^\d{1,3}(\.\d{3})+,\d+$|^\d*,\d+$/', $tight) === 1 => ',',
            default => '',
        };
    }

    /** @return array{string, string} sign, and digits with their marks alone */
    private static function signed(string $text): array
    {
        return preg_match('/^\s*([+−-]?)\s*([\d.,\'’ \x{a0}\x{202f}]*\d[.]?(?:[eE][+-]?\d{1,3})?)\s*$/u', $text, $m) ===
            1
            ? [$m[1] === '' || $m[1] === '+' ? '' : '-', self::tight($m[2])]
            : ['', ''];
    }

    /** Without blanks or marks that group thousands; with them where they group nothing. */
    private static function tight(string $digits): string
    {
        $digits = trim($digits);
        $spaced = (string) preg_replace('/(?<=\d)[\'’ \x{a0}\x{202f}](?=\d{3}(?!\d))/u', '', $digits);

        return $spaced;
    }
}
