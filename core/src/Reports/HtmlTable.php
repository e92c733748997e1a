<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\BadTable;

/**
 * The largest table of an HTML page, as some labs send under the name of a spreadsheet.
 *
 * Domain: cells that span rows or columns stand in each of them; rows are known by the line their row begins in.
 * Source: the table model of HTML.
 */
final class HtmlTable
{
    private const MOST_SPANNED = 200;

    public static function looksLike(string $text): bool
    {
        return preg_match(
            '/^\s*(<\?xml[^>]*>\s*)?(<!--.*?-->\s*)*(<!doctype\s+html|<html|<table|<body|<head|<meta)\b/is',
            substr($text, 0, 2000),
        ) === 1;
    }

    /**
     * @return array<int, list<string>>
     *
     * @throws BadTable
     */
    public static function records(string $text): array
    {
        $before = libxml_use_internal_errors(true);
        $page = new \DOMDocument();
        $page->loadHTML('<?xml encoding="UTF-8">'.$text, LIBXML_NONET | LIBXML_COMPACT | (LIBXML_NOENT * 0));
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $best = [];
        foreach ($page->getElementsByTagName('table') as $table) {
            $records = self::rows($table);
            $best = count($records) > count($best) ? $records : $best;
        }

        return $best !== []
            ? $best
            : throw new BadTable('page_without_table');
    }

    /** @return array<int, list<string>> */
    private static function rows(\DOMElement $table): array
    {
        [$records, $carried, $last] = [[], [], 0];
        foreach ($table->getElementsByTagName('tr') as $row) {
            [$cells, $at] = [[], 0];
            foreach ($row->childNodes as $cell) {
                if (! ($cell instanceof \DOMElement) || ! in_array(strtolower($cell->tagName), ['td', 'th'], true)) {
                    continue;
                }
                while (isset($carried[$at])) {
                    $cells[$at] = $carried[$at][0];
                    $carried[$at] = $carried[$at][1] > 1 ? [$carried[$at][0], $carried[$at][1] - 1] : null;
                    $at++;
                }
                $words = trim((string) preg_replace('/[\s\x{a0}]+/u', ' ', $cell->textContent));
                $wide = max(1, min(self::MOST_SPANNED, (int) $cell->getAttribute('colspan')));
                $high = max(1, min(self::MOST_SPANNED, (int) $cell->getAttribute('rowspan')));
                for ($i = 0; $i < $wide; $i++, $at++) {
                    $cells[$at] = $words;
                    if ($high > 1) {
                        $carried[$at] = [$words, $high - 1];
                    }
                }
            }
            for (; isset($carried[$at]); $at++) {
                $cells[$at] = $carried[$at][0];
                $carried[$at] = $carried[$at][1] > 1 ? [$carried[$at][0], $carried[$at][1] - 1] : null;
            }
            $carried = array_filter($carried);
            $last = max($last + 1, $row->getLineNo());
            if (implode('', $cells) !== '') {
                $records[$last] = array_values($cells);
            }
        }

        return $records;
    }
}
