<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\Analyte;
use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\Fold;
use HonestCore\Analyte\UnitText;
use HonestCore\Table\RuleTable;

/**
 * What the name of a column says: unit first, then extractant, then form, and only from what is left the analyte.
 *
 * Domain: names of up to 200 letters; a guess, for a person to confirm.
 * Source: the tables in data/report-columns.json and data/analytes.json.
 */
final class ColumnName
{
    /** What is left of the name, with the size of its letters. */
    private string $rest;

    /** The name without its unit. */
    private string $bare = '';

    private ?UnitText $unit = null;

    private string $unread = '';

    private string $layer = '';

    /** @var list<array{code: string, for: list<string>, ask: string}> */
    private array $extractants = [];

    private string $instrument = '';

    private function __construct(private readonly string $name)
    {
        // Words that are run together part where a capital begins, but pH, CaCl2 and the like do not.
        $this->rest = Fold::plain(
            (string) preg_replace(
                '/(?<=[a-z])(?=[A-Z][a-z]{2})|(?<=[a-z]{2})(?=[A-Z]{2})/',
                ' ',
                mb_substr($name, 0, 200),
            ),
        );
    }

    public static function read(string $name): ReportColumn
    {
        /** @var array<string, ReportColumn> $known */
        static $known = [];
        if (isset($known[$name])) {
            return $known[$name];
        }
        $known = count($known) > 5000 ? [] : $known;

        return $known[$name] = (new self($name))->understand();
    }

    private function understand(): ReportColumn
    {
        $this->takeLayer();
        $this->takeUnit();
        $this->bare = $this->rest;
        $whole = self::words($this->rest);
        $this->takeExtractants();
        $lower = self::words($this->rest);
        if (self::matches(self::list('unknown'), $lower)) {
            return $this->unnamed($whole);
        }
        $shares = self::matches(self::list('shares'), $whole);
        $form = $shares ? null : $this->form($lower);
        $found = $this->analytes($form['analyte'] ?? null);
        $none = $this->none($whole, $lower);
        $isShare = $shares || ($this->isPercent() && ! $this->isRating($whole) && $this->shareOf($found) !== null);
        if ($isShare && ($shares || ($form['analyte'] ?? null) === null)) {
            return $this->share($found);
        }
        $ignored = $this->ignored($found, $none, $whole);

        return match (true) {
            $ignored !== null => new ReportColumn($this->name, ColumnRole::Ignore, why: $ignored),
            $found === [] => $this->unnamed($whole),
            default => $this->result($found[0], $form, $this->isRating($whole)),
        };
    }

    /**
     * Why the column is no result of one analyte, or null.
     *
     * @param list<string> $found
     */
    private function ignored(array $found, ?string $none, string $whole): ?string
    {
        if ($none !== null && ($found !== [] || preg_match('/:|\/|\+/', $whole) === 1 || $this->roleOf() === null)) {
            return "\"{$this->name}\" is {$none}, no result of an analyte.";
        }

        return count($found) > 1
            ? "\"{$this->name}\" names more than one analyte: ".
                implode(', ', array_map(Analytes::name(...), $found)).
                '.'
            : null;
    }

    /** @param array{form: string, ask: string}|null $form */
    private function result(string $code, ?array $form, bool $rating): ReportColumn
    {
        $analyte = Analytes::get($code);
        $extractant = $this->extractantFor($analyte->group);
        $said = $this->formSaid($analyte, $form);
        $strange = UnitForm::ofAnother($analyte, $this->unit);

        return new ReportColumn(
            $this->name,
            $rating ? ColumnRole::Rating : ColumnRole::Result,
            $code,
            $said['form'],
            match (true) {
                $strange !== '' => '',
                $this->unit !== null => $this->unit->unit->code,
                default => $analyte->isUnitless() ? 'pH' : '',
            },
            $extractant['code'] ?? '',
            $this->instrument,
            '',
            $this->unit === null ? $this->unread : $strange,
            $said['ask'],
            $extractant['ask'] ?? '',
            $this->unit->plainMoles ?? false,
            $this->layer,
        );
    }

    /**
     * The form that name and unit say together, or what is to be asked where they differ.
     *
     * @param array{form: string, ask: string}|null $form what the name says
     * @return array{form: string, ask: string}
     */
    private function formSaid(Analyte $analyte, ?array $form): array
    {
        $written = UnitForm::of($analyte->code, $this->unit->form ?? '');
        $fits = $written !== '' && (in_array($written, $analyte->forms, true) || $written === $analyte->element);
        if ($fits && ($form === null || $form['form'] === '' || $form['ask'] !== '')) {
            return ['form' => in_array($written, $analyte->forms, true) ? $written : '', 'ask' => ''];
        }
        if ($fits && ! in_array($form['form'], [$written, 'SO4-S'], true)) {
            return ['form' => '', 'ask' => "{$form['form']} or {$written}"];
        }

        return $form ?? ['form' => $analyte->ownForm(), 'ask' => ''];
    }

    /** No analyte is in the name: a column about the sample, or one that is not known here. */
    private function unnamed(string $whole): ReportColumn
    {
        $role = $this->roleOf();
        if ($role !== null) {
            return new ReportColumn(
                $this->name,
                $role,
                unit: $role === ColumnRole::Value || $role === ColumnRole::Result ? $this->unit?->unit->code ?? '' : '',
                unread: $role === ColumnRole::Value && $this->unit === null ? $this->unread : '',
            );
        }
        if ($this->isRating($whole) && $this->tokens() !== []) {
            return new ReportColumn($this->name, ColumnRole::Rating);
        }

        return new ReportColumn(
            $this->name,
            ColumnRole::Ignore,
            why: $this->unit === null && $this->unread === '' ? '' : self::notKnown($this->name),
        );
    }

    public static function notKnown(string $name): string
    {
        return "\"{$name}\" is no analyte that is known here; left out.";
    }

    private function roleOf(): ?ColumnRole
    {
        /** @var array<string, list<string>> $roles */
        $roles = RuleTable::named('report-columns')['roles'];
        $text = trim(
            (string) preg_replace(
                '/[\s_]+/',
                ' ',
                str_replace(['(', ')', '[', ']', '-', '.', "'"], ' ', Fold::lower($this->name)),
            ),
        );
        $bare = trim(
            (string) preg_replace(
                '/[\s_]+/',
                ' ',
                str_replace(['(', ')', '[', ']', '-', '.', "'", ':', ','], ' ', strtolower($this->bare)),
            ),
        );
        // A depth column names its unit of length.
        $bare = trim((string) preg_replace('/\b(cm|in|inch|inches|mm|m)$/', '', $bare));
        foreach ($roles as $role => $patterns) {
            if (self::matches($patterns, $text) || self::matches($patterns, $bare)) {
                return ColumnRole::from($role);
            }
        }

        return null;
    }

    /** @param list<string> $found */
    private function share(array $found): ReportColumn
    {
        $of = $this->shareOf($found) ?? (preg_match('/\besp\b/i', $this->bare) === 1 ? 'na_sat' : 'base_sat');

        return new ReportColumn(
            $this->name,
            ColumnRole::Result,
            $of,
            unit: $this->unit === null ? 'percent' : $this->unit->unit->code,
        );
    }

    /** @param list<string> $found */
    private function shareOf(array $found): ?string
    {
        foreach (['k', 'ca', 'mg', 'na'] as $base) {
            if ($found === [$base]) {
                return "{$base}_sat";
            }
        }

        return $found === [] && array_intersect(array_map(strtolower(...), $this->tokens()), ['h', 'hydrogen']) !== []
            ? 'h_sat'
            : null;
    }

    private function isPercent(): bool
    {
        return $this->unit?->unit->code === 'percent';
    }

    private function isRating(string $whole): bool
    {
        return self::matches(self::list('ratings'), $whole);
    }

    /** What it is instead of a result: a ratio, a sum, a recommended amount; null where it may be one. */
    private function none(string $whole, string $lower): ?string
    {
        $names =
            '(?:c|n|ca|mg|k|na|p|zn|mn|cu|fe|b|s|al|h|om|oc|calcium|magnesium|potassium|sodium|carbon|nitrogen|'.
                'phosphorus)';
        if (preg_match("/(?<![a-z0-9]){$names}\\s*[:\\/]\\s*(?:\\(?\\s*)?{$names}(?![a-z0-9])/", $whole) === 1) {
            return 'a ratio';
        }
        if (preg_match("/(?<![a-z0-9]){$names}\\s*(?:\\+|&|\\band\\b)\\s*{$names}(?![a-z0-9])/", $lower) === 1) {
            return 'a sum';
        }
        /** @var list<array{pattern: string, what: string}> $rows */
        $rows = RuleTable::named('report-columns')['none'];
        foreach ($rows as $row) {
            if (preg_match("~{$row['pattern']}~u", $whole) === 1) {
                return $row['what'];
            }
        }

        return null;
    }

    /** @return array{analyte: string|null, form: string, ask: string}|null */
    private function form(string $lower): ?array
    {
        /** @var list<array{pattern: string, analyte: string, form: string, ask?: string}> $rows */
        $rows = RuleTable::named('report-columns')['forms'];
        foreach ($rows as $row) {
            if (preg_match("~{$row['pattern']}~u", $lower, $m, PREG_OFFSET_CAPTURE) === 1) {
                $this->cut($row['pattern']);

                return ['analyte' => $row['analyte'], 'form' => $row['form'], 'ask' => $row['ask'] ?? ''];
            }
        }

        return null;
    }

    /**
     * @return list<string> codes, each once
     */
    private function analytes(?string $byForm): array
    {
        $found = $byForm === null ? [] : [$byForm];
        $lower = self::words($this->rest);
        foreach (self::list('say_nothing') as $pattern) {
            $this->cut($pattern, 'i');
        }
        $tokens = $this->tokens();
        // A code such as FN26-20L-S or P-1 names no sulphur and no phosphorus.
        $isCode =
            preg_match('/^[A-Za-z]{1,2}[\s_-]?\d+$/', $this->rest) === 1 ||
            array_filter($tokens, static fn (string $token): bool => preg_match('/\d/', $token) === 1) !== [];
        $oneCase = $this->rest === strtoupper($this->rest) || $this->rest === strtolower($this->rest);
        foreach (Analytes::all() as $code => $analyte) {
            if (self::isNamed($analyte->words, $lower)) {
                $found[] = $code;
            }
            foreach ($isCode ? [] : $analyte->symbols as $symbol) {
                if (self::isSymbol($symbol, $tokens, $oneCase)) {
                    $found[] = $code;
                }
            }
        }
        // A share called MO is organic matter, whatever element the letters may stand for.
        $found =
            in_array($this->unit?->unit->code, ['percent', 'g/kg'], true) && $tokens === ['MO']
                ? ['om']
                : array_values(array_unique($found));
        // "buffer pH" names both, and the nitrogen of nitrate is none of its own.
        $found = in_array('buffer_ph', $found, true) ? array_values(array_diff($found, ['ph'])) : $found;

        return $found;
    }

    /** @param list<string> $words */
    private static function isNamed(array $words, string $lower): bool
    {
        foreach ($words as $word) {
            $pattern = '(?<![a-z0-9])'.str_replace('\*', '[a-z]*', preg_quote($word, '~')).'(?![a-z0-9])';
            if (preg_match("~{$pattern}~", $lower) === 1) {
                return true;
            }
        }

        return false;
    }

    /**
     * Does a symbol stand among the tokens? In any case where the name is short or of one case; arsenic only alone.
     *
     * @param list<string> $tokens
     */
    private static function isSymbol(string $symbol, array $tokens, bool $oneCase): bool
    {
        return in_array($symbol, $tokens, true) ||
            ($symbol === 'As'
                ? $tokens === ['as'] || $tokens === ['AS']
                : (count($tokens) <= 2 || $oneCase) &&
                    in_array(strtolower($symbol), array_map(strtolower(...), $tokens), true));
    }

    private function takeLayer(): void
    {
        $number = '\d{1,3}(?:\.\d+)?';
        if (
            preg_match(
                "/\\(?\\b({$number})\\s*(?:-|to)\\s*({$number})\\s*(in(?:ch(?:es)?)?\\b|cm\\b|\"|'')\\.?\\)?/i",
                $this->rest,
                $m,
            ) === 1
        ) {
            $this->layer = "{$m[1]}-{$m[2]}".(stripos($m[3], 'cm') === 0 ? 'cm' : 'in');
            $this->rest = trim(str_replace($m[0], ' ', $this->rest));
        }
    }

    /** The unit: in brackets, between commas, or any run of words that is one; the longest that is understood. */
    private function takeUnit(): void
    {
        $this->rest = str_replace(
            ['_', '%'],
            [' ', ' % '],
            (string) preg_replace('/mol\s*\(\s*(c|\+|c\+|\+c|eq)\s*\)/i', 'molc', $this->rest),
        );
        $brackets = [];
        preg_match_all('/[(\[{]([^()\[\]{}]*)[)\]}]/', $this->rest, $found);
        foreach ($found[1] as $i => $inside) {
            foreach (preg_split('/[,;](?!\d{3})|\s-\s/', $inside) ?: [] as $piece) {
                $brackets[] = trim($piece);
                $this->tryUnit(trim($piece), true);
            }
            $this->rest = str_replace(
                $found[0][$i],
                ' , '.
                    implode(
                        ' , ',
                        array_filter(
                            array_map(trim(...), preg_split('/[,;](?!\d{3})/', $inside) ?: []),
                            fn (string $piece): bool => $this->unitOf($piece, true) === null,
                        ),
                    ).
                    ' , ',
                $this->rest,
            );
        }
        $outside = [];
        foreach (preg_split('/[,;|](?!\d{3})/', $this->rest) ?: [] as $piece) {
            $outside[] = $this->unit === null ? $this->searched(trim($piece)) : trim($piece);
        }
        $this->rest = trim(implode(' , ', array_filter($outside, static fn (string $one): bool => $one !== '')));
        if ($this->unit === null) {
            // Outside of brackets a word such as Mg is a name, not half a unit.
            $this->unread = $this->unlike([
                ...$brackets,
                ...array_filter(
                    preg_split('/\s+/', $this->rest) ?: [],
                    static fn (string $word): bool => str_contains($word, '/'),
                ),
            ]);
            $this->rest = $this->unread === '' ? $this->rest : str_replace($this->unread, ' ', $this->rest);
        }
    }

    private function unitOf(string $piece, bool $bracket): ?UnitText
    {
        $read = $piece === '' ? null : UnitText::read($piece);

        return $read === null || (! $bracket && $read->unit->kind === 'ph') || ($bracket && strtolower($piece) === 'ph')
            ? null
            : $read;
    }

    private function tryUnit(string $piece, bool $bracket): bool
    {
        $read = $this->unitOf($piece, $bracket);
        $this->unit ??= $read;

        return $read !== null;
    }

    /** The piece without the longest run of its words that is a unit, if there is one. */
    private function searched(string $piece): string
    {
        $words = array_values(array_filter(explode(' ', $piece), static fn (string $word): bool => $word !== ''));
        $n = count($words);
        for ($length = min(6, $n); $length >= 1; $length--) {
            for ($from = $n - $length; $from >= 0; $from--) {
                $run = implode(' ', array_slice($words, $from, $length));
                $read = $this->unitOf($run, false);
                if ($read !== null) {
                    $this->unit = $read;

                    return trim(
                        implode(' ', array_slice($words, 0, $from)).
                            ' '.
                            $read->form.
                            ' '.
                            implode(' ', array_slice($words, $from + $length)),
                    );
                }
            }
        }

        return $piece;
    }

    /**
     * What looks like a unit and is not understood.
     *
     * @param list<string> $pieces
     */
    private function unlike(array $pieces): string
    {
        foreach ($pieces as $piece) {
            $lower = Fold::lower($piece);
            $isSymbols =
                preg_match('/^[a-z]{1,2}\s*[:\/]\s*[a-z]{1,2}$/', $lower) === 1 &&
                preg_match('/^(c|n|ca|mg|k|na|p|al|h)\s*[:\/]\s*(c|n|ca|mg|k|na|p|al|h)$/', $lower) === 1;
            if (
                ! $isSymbols &&
                preg_match(
                    '/^(?!n\/a)[a-z#µ0-9.+()]{1,12}\s*(\/|\bper\b)\s*[a-z0-9.\s]{1,14}$|^[a-z]{1,5}\s+[a-z0-9]{1,'.
                        '5}-1$|^(mg|g|kg|lbs?|oz|ms|tons?|tonnes?|t|bu|grains?|mol|mmol|cmol|meq|eq)$/',
                    $lower,
                ) === 1
            ) {
                return $piece;
            }
        }

        return '';
    }

    private function takeExtractants(): void
    {
        /** @var list<array{pattern: string, code: string, for: list<string>, ask?: string}> $rows */
        $rows = RuleTable::named('report-columns')['extractants'];
        foreach ($rows as $row) {
            $lower = Fold::lower($this->rest);
            if (preg_match("~{$row['pattern']}~u", str_replace('_', ' ', $lower)) === 1) {
                $this->extractants[] = ['code' => $row['code'], 'for' => $row['for'], 'ask' => $row['ask'] ?? ''];
                // What names both a buffer and the reading in it stays.
                $this->cut($row['pattern'], 'i', $this->keeps($row['code']));
            }
        }
        /** @var list<array{pattern: string, code: string}> $instruments */
        $instruments = RuleTable::named('report-columns')['instruments'];
        foreach ($instruments as $row) {
            if ($this->instrument === '' && preg_match("~{$row['pattern']}~iu", $this->rest) === 1) {
                $this->instrument = $row['code'];
                $this->cut($row['pattern'], 'i');
            }
        }
    }

    /** What is left in the place of an extractant's words: those that are written in one with what they extract. */
    private function keeps(string $code): string
    {
        $lower = Fold::lower($this->rest);

        return match (true) {
            $code === 'smp' => ' buffer pH ',
            in_array($code, ['cacl2', 'kcl', 'water'], true) &&
                preg_match('/\bph(ca|cacl2|kcl|w|water|h2o)\b/', $lower) === 1 => ' pH ',
            in_array($code, ['bray-1', 'bray-2', 'olsen'], true) &&
                preg_match('/\b(brayp1?|olsenp)\b|bray\W*p\W*(1|2|i|ii)\b/', $lower) === 1 => ' P ',
            $code === 'ammonium-lactate' && preg_match('/\b([pk])-?al\b/', $lower, $m) === 1 => ' '.
                strtoupper($m[1]).
                ' ',
            default => ' ',
        };
    }

    /** @return array{code: string, ask: string}|null */
    private function extractantFor(string $group): ?array
    {
        foreach ($this->extractants as $one) {
            if (in_array($group, $one['for'], true)) {
                return $one;
            }
        }

        return null;
    }

    private function cut(string $pattern, string $flags = 'i', string $by = ' '): void
    {
        $this->rest = trim((string) preg_replace("~{$pattern}~u{$flags}", $by, $this->rest));
    }

    /** @return list<string> */
    private function tokens(): array
    {
        return array_values(
            array_filter(
                preg_split('/[^A-Za-z0-9]+/', $this->rest) ?: [],
                static fn (string $token): bool => $token !== '' && ! ctype_digit($token),
            ),
        );
    }

    private static function words(string $text): string
    {
        return trim(
            (string) preg_replace(
                '/\s+/',
                ' ',
                str_replace(['.', ',', '(', ')', '[', ']', "'", '_'], ' ', Fold::lower($text)),
            ),
        );
    }

    /** @return list<string> */
    private static function list(string $key): array
    {
        /** @var list<string> $list */
        $list = RuleTable::named('report-columns')[$key];

        return $list;
    }

    /** @param list<string> $patterns */
    private static function matches(array $patterns, string $text): bool
    {
        foreach ($patterns as $pattern) {
            if (preg_match("~{$pattern}~u", $text) === 1) {
                return true;
            }
        }

        return false;
    }
}
