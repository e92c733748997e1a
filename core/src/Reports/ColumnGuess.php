<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Table\RuleTable;

/**
 * What a column of a lab's file most likely holds, by its name. A guess, for a person to confirm.
 *
 * Source: the table in data/report-columns.json.
 */
final readonly class ColumnGuess
{
    /** @param string $role sample, lab_number, bag, depth, analyte, value, unit, extractant, result or ignore */
    private function __construct(
        public string $role,
        public ?string $analyte = null,
        public string $form = '',
        public string $unit = '',
        public string $extractant = '',
        public string $instrument = '',
    ) {}

    public static function of(string $name): self
    {
        $text = mb_strtolower(trim($name));
        /** @var array{roles: array<string, list<string>>, analytes: list<array{pattern: string, analyte: string, form?: string}>, extractants: list<array{pattern: string, code: string}>, instruments: list<array{pattern: string, code: string}>} $table */
        $table = RuleTable::named('report-columns');
        foreach ($table['roles'] as $role => $patterns) {
            foreach ($patterns as $pattern) {
                if (preg_match("/{$pattern}/u", $text) === 1) {
                    return new self($role);
                }
            }
        }
        $spaced = str_replace(['_', '(', ')', ',', '/', '[', ']'], ' ', $text);
        foreach ($table['analytes'] as $row) {
            if (preg_match("/{$row['pattern']}/u", $spaced) === 1) {
                $extractant = self::first($table['extractants'], $spaced);

                return new self('result', $row['analyte'], $row['form'] ?? '', self::unit($text, $row['analyte']), $extractant === '' && $row['analyte'] === 'ph' ? 'water' : $extractant, self::first($table['instruments'], $spaced));
            }
        }

        return new self('ignore');
    }

    /** @param list<array{pattern: string, code: string}> $rows */
    private static function first(array $rows, string $text): string
    {
        foreach ($rows as $row) {
            if (preg_match("/{$row['pattern']}/u", $text) === 1) {
                return $row['code'];
            }
        }

        return '';
    }

    /** The unit that stands anywhere in the name, the longest that fits and of those the last, else that of the analyte. */
    private static function unit(string $text, string $analyte): string
    {
        $found = null;
        foreach (SoilUnit::names() as $name) {
            $edge = $name === '%' ? '' : '(?![\\p{L}\\d\\/])';
            if (preg_match_all('~(?<![\\p{L}\\d\\/])'.preg_quote($name, '~')."{$edge}~u", $text, $matches, PREG_OFFSET_CAPTURE) > 0) {
                $at = $matches[0][count($matches[0]) - 1][1];
                if ($found === null || [strlen($name), $at] > $found[0]) {
                    $found = [[strlen($name), $at], $name];
                }
            }
        }
        if ($found !== null) {
            return SoilUnit::named($found[1])->code;
        }

        return preg_match('/_pct$|percent/', $text) === 1 ? 'percent' : (SoilUnit::home($analyte)->code ?? '');
    }
}
