<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\Analyte;
use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\Fold;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Analyte\UnitText;
use HonestCore\Table\RuleTable;

/**
 * What stands about a column besides its name: a row of units below it, a row of extractants above it, a title of the
 * sheet.
 *
 * Domain: a title gives its unit only to analytes of that kind, and only where it names one such unit.
 * Source: common practice of labs.
 */
final readonly class ColumnContext
{
    /**
     * @param list<UnitText> $units
     * @param list<array{code: string, for: list<string>, ask: string}> $extractants
     */
    private function __construct(
        private array $units,
        private array $extractants,
        private string $unread = '',
        private bool $isTitle = false,
    ) {}

    /** A cell of a second header row, or of a column of units beside the names of analytes. */
    public static function ofCell(string $text): self
    {
        $bare = trim(trim($text), '()[]{}');
        $unit = $bare === '' ? null : UnitText::read($bare);
        if ($unit !== null && $unit->unit->kind !== 'ph') {
            return new self([$unit], []);
        }
        $extractants = self::extractants($text);
        [$units, $left] = [[], $bare];
        foreach (preg_split('/[,;()\[\]](?!\d{3})/', $text) ?: [] as $piece) {
            $read = trim($piece) === '' ? null : UnitText::read(trim($piece));
            if ($read !== null && $read->unit->kind !== 'ph') {
                $units[] = $read;
            }
        }

        return new self(
            $units,
            $extractants,
            $units === [] && $extractants === [] && self::looksLikeUnit($bare) ? $left : '',
        );
    }

    /** A line above the header. */
    public static function ofTitle(string $text): self
    {
        $plain = (string) preg_replace('/[():;\[\]=]/', ' ', Fold::plain($text));
        $words = array_values(
            array_filter(explode(' ', str_replace('%', ' % ', $plain)), static fn (string $word): bool => $word !== ''),
        );
        $units = [];
        if (
            preg_match(
                '/\b(units?|in|as|expressed|reported|einheit(en)?|angaben?|en|exprim\w*|unites?|unidad(es)?|results?|'.
                    'values?|ergebnisse|alle|all|valores|resultats?)\b/i',
                $plain,
            ) === 1
        ) {
            for ($from = 0, $n = min(80, count($words)); $from < $n; $from++) {
                for ($length = 4; $length >= 1; $length--) {
                    $run = rtrim(implode(' ', array_slice($words, $from, $length)), '.,');
                    $read = UnitText::read($run);
                    $number = $from > 0 && preg_match('/^[\d.,]+$/', $words[$from - 1]) === 1;
                    if (
                        $read !== null &&
                        $read->unit->kind !== 'ph' &&
                        ! $number &&
                        $read->form === '' &&
                        preg_match('/^(m|s|us|ds)$/i', $run) !== 1
                    ) {
                        $units[$read->unit->code] = $read;
                        $from += $length - 1;
                        break;
                    }
                }
            }
        }

        return new self(array_values($units), self::extractants($text), isTitle: true);
    }

    public function isEmpty(): bool
    {
        return $this->units === [] && $this->extractants === [] && $this->unread === '';
    }

    /** Did it say something that is understood? */
    public function isUnderstood(): bool
    {
        return $this->units !== [] || $this->extractants !== [];
    }

    public function isUnread(): bool
    {
        return $this->unread !== '';
    }

    /** The column with what its own name leaves open. */
    public function fill(ReportColumn $column): ReportColumn
    {
        $known = $column->known();
        if ($known === null || ! in_array($column->role, [ColumnRole::Result, ColumnRole::Rating], true)) {
            return $this->fillValue($column);
        }
        $changes = $column->unit === '' && $column->unread === '' ? $this->unitOf($column, $known) : [];
        foreach ($column->extractant === '' ? $this->extractants : [] as $one) {
            if (in_array($known->group, $one['for'], true)) {
                $changes += ['extractant' => $one['code'], 'askExtractant' => $one['ask']];
            }
        }

        return $changes === [] ? $column : $column->with($changes);
    }

    /** A column of values of any analyte takes the one unit that stands by it. */
    private function fillValue(ReportColumn $column): ReportColumn
    {
        $isOpen = $column->role === ColumnRole::Value && $column->unit === '';

        return $isOpen && count($this->units) === 1 && ! $this->isTitle
            ? $column->with(['unit' => $this->units[0]->unit->code])
            : $column;
    }

    /** @return array<string, mixed> the unit of a column that has none, and the form that it says */
    private function unitOf(ReportColumn $column, Analyte $known): array
    {
        $fitting = $this->fitting($column->analyte);
        if (count($fitting) !== 1) {
            return match (true) {
                ! $this->isTitle && $this->units !== [] => ['unit' => $this->units[0]->unit->code],
                $this->unread !== '' => ['unread' => $this->unread],
                default => [],
            };
        }
        $strange = UnitForm::ofAnother($known, $fitting[0]);
        if ($strange !== '') {
            return ['unread' => $strange];
        }
        $changes = ['unit' => $fitting[0]->unit->code, 'plainMoles' => $fitting[0]->plainMoles];
        $form = UnitForm::of($column->analyte, $fitting[0]->form);
        if (! in_array($form, $known->forms, true)) {
            return $changes;
        }
        $agrees = $column->form === $known->ownForm() || $column->askForm !== '' || $column->form === $form;

        return $changes +
            ($agrees
                ? ['form' => $form, 'askForm' => '']
                : ['form' => '', 'askForm' => "{$column->form} or {$form}"]);
    }

    /** @return list<UnitText> those that the analyte is given in; a title's only where they are of its home kind */
    private function fitting(string $analyte): array
    {
        $fitting = array_values(
            array_filter($this->units, static fn (UnitText $one): bool => $one->unit->fits($analyte)),
        );
        if (! $this->isTitle) {
            return count($fitting) === 1 ? $fitting : [];
        }
        $home = SoilUnit::home($analyte) ?? throw new \LogicException('The column has its analyte.');
        $kinds = static fn (string ...$kinds): array => array_values(
            array_filter(
                $fitting,
                static fn (UnitText $one): bool => in_array($one->unit->kind, $kinds, true) &&
                    ($one->unit->code === 'percent') === ($home->code === 'percent' && $one->unit->code === 'percent'),
            ),
        );
        $first = match (true) {
            $home->code === 'percent' => array_values(
                array_filter(
                    $fitting,
                    static fn (UnitText $one): bool => in_array($one->unit->code, ['percent', 'g/kg'], true),
                ),
            ),
            $home->kind === 'mass' => $kinds('mass', 'volume', 'area'),
            default => $fitting,
        };

        return $first === [] && $home->kind === 'mass' && $home->code !== 'percent'
            ? $kinds('charge', 'charge_volume')
            : $first;
    }

    /** @return list<array{code: string, for: list<string>, ask: string}> */
    private static function extractants(string $text): array
    {
        /** @var list<array{pattern: string, code: string, for: list<string>, ask?: string}> $rows */
        $rows = RuleTable::named('report-columns')['extractants'];
        $lower = str_replace('_', ' ', Fold::lower($text));
        $found = [];
        foreach ($rows as $row) {
            if (preg_match("~{$row['pattern']}~u", $lower) === 1) {
                $found[] = ['code' => $row['code'], 'for' => $row['for'], 'ask' => $row['ask'] ?? ''];
                $lower = (string) preg_replace("~{$row['pattern']}~u", ' ', $lower);
            }
        }
        // Several extractants of nutrients in one line could each be of another analyte.
        $nutrients = array_unique(
            array_column(
                array_filter($found, static fn (array $one): bool => in_array('nutrient', $one['for'], true)),
                'code',
            ),
        );

        return count($nutrients) > 1
            ? array_values(
                array_filter($found, static fn (array $one): bool => ! in_array('nutrient', $one['for'], true)),
            )
            : $found;
    }

    private static function looksLikeUnit(string $text): bool
    {
        return $text !== '' &&
            mb_strlen($text) < 24 &&
            preg_match('/^[^\s\d][^\s]{0,8}\s*(\/|\bper\b|\s)\s*\S+(-1)?$|^[a-zµ%#°]{1,5}$/iu', $text) === 1 &&
            ! in_array(mb_strtolower($text), self::ratings(), true) &&
            Analytes::find(mb_strtolower($text)) === null;
    }

    /** @return list<string> */
    private static function ratings(): array
    {
        /** @var array{ratings: list<string>} $table */
        $table = RuleTable::named('report-words');

        return $table['ratings'];
    }
}
