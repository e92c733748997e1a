<?php

declare(strict_types=1);

namespace HonestCore\Analyte;

/**
 * Text made plain, so that one spelling finds another: small letters, no accents, one kind of micro, minus, dash and
 * blank.
 *
 * Source: the Latin letters of German, French, Spanish and Portuguese; superscripts of Unicode.
 */
final class Fold
{
    private const PLAIN = [
        'ä' => 'a',
        'á' => 'a',
        'à' => 'a',
        'â' => 'a',
        'ã' => 'a',
        'å' => 'a',
        'ö' => 'o',
        'ó' => 'o',
        'ò' => 'o',
        'ô' => 'o',
        'õ' => 'o',
        'ü' => 'u',
        'ú' => 'u',
        'ù' => 'u',
        'û' => 'u',
        'é' => 'e',
        'è' => 'e',
        'ê' => 'e',
        'ë' => 'e',
        'í' => 'i',
        'ì' => 'i',
        'î' => 'i',
        'ï' => 'i',
        'ñ' => 'n',
        'ç' => 'c',
        'ß' => 'ss',
        'œ' => 'oe',
        'µ' => 'u',
        'μ' => 'u',
        '⁻' => '-',
        '−' => '-',
        '–' => '-',
        '—' => '-',
        '‐' => '-',
        '‑' => '-',
        '⁺' => '+',
        '⁰' => '0',
        '¹' => '1',
        '²' => '2',
        '³' => '3',
        '⁴' => '4',
        '₀' => '0',
        '₁' => '1',
        '₂' => '2',
        '₃' => '3',
        '₄' => '4',
        '₅' => '5',
        '·' => '.',
        '∙' => '.',
        '⋅' => '.',
        '×' => 'x',
        '’' => "'",
        "\u{a0}" => ' ',
        "\u{202f}" => ' ',
        "\u{2009}" => ' ',
        "\u{feff}" => '',
        "\n" => ' ',
        "\r" => ' ',
        "\t" => ' ',
    ];

    /** Small letters without accents. */
    public static function lower(string $text): string
    {
        return trim((string) preg_replace('/ {2,}/', ' ', strtr(mb_strtolower($text), self::PLAIN)));
    }

    /** The same with the size of its letters, so that symbols can be told apart. */
    public static function plain(string $text): string
    {
        /** @var array<string, string>|null $table */
        static $table = null;
        if ($table === null) {
            $table = self::PLAIN;
            foreach (self::PLAIN as $from => $to) {
                $table[mb_strtoupper($from)] ??= strtoupper($to);
            }
            // A capital micro is a letter of its own; the small one stays small.
            $table['µ'] = $table['μ'] = 'u';
        }

        return trim((string) preg_replace('/ {2,}/', ' ', strtr($text, $table)));
    }
}
