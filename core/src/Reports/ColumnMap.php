<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\UnitText;
use HonestCore\Error\BadOption;

/**
 * What a person says of the columns of a file, by their names: a role, the code of an analyte, or both with unit, form
 * and extractant.
 *
 * Domain: a JSON object of column name to meaning, or the mapping as it is kept, with a list of columns under
 * `columns`.
 */
final readonly class ColumnMap
{
    /** @param array<string, array<string, mixed>> $meanings by column name */
    private function __construct(private array $meanings) {}

    /** @throws BadOption */
    public static function parse(string $json): self
    {
        $given = json_decode((string) preg_replace('/^\xEF\xBB\xBF/', '', $json), true, 8);
        if (! is_array($given)) {
            throw new BadOption('map_no_object');
        }
        $given = is_array($given['columns'] ?? null) ? $given['columns'] : $given;
        $meanings = [];
        foreach ($given as $name => $meaning) {
            $name = is_array($meaning) && is_string($meaning['name'] ?? null) ? $meaning['name'] : (string) $name;
            $meanings[$name] = self::meaning($name, $meaning);
        }

        return new self($meanings);
    }

    /**
     * @param list<ReportColumn> $columns as they were understood
     * @return list<ReportColumn>
     *
     * @throws BadOption for a column that the file has not
     */
    public function applied(array $columns): array
    {
        foreach ($this->meanings as $name => $changes) {
            $at = array_keys(
                array_filter($columns, static fn (ReportColumn $column): bool => $column->name === (string) $name),
            );
            $at =
                $at !== []
                    ? $at
                    : array_keys(
                        array_filter(
                            $columns,
                            static fn (ReportColumn $column): bool => mb_strtolower($column->name) ===
                                mb_strtolower((string) $name),
                        ),
                    );
            if ($at === []) {
                $known = array_map(static fn (ReportColumn $one): string => "\"{$one->name}\"", array_slice($columns, 0, 30));
                throw new BadOption('map_no_such_column', ['name' => $name, 'known' => implode(', ', $known)]);
            }
            foreach ($at as $i) {
                $columns[$i] = self::changed($columns[$i], $changes);
            }
        }

        return array_values($columns);
    }

    /** @param array<string, mixed> $changes */
    private static function changed(ReportColumn $column, array $changes): ReportColumn
    {
        $analyte = $changes['analyte'] ?? $column->analyte;
        $fresh = [
            'confirmed' => true,
            'why' => '',
            'guessedRole' => '',
            'unread' => '',
            'askForm' => '',
            'askExtractant' => '',
            'plainMoles' => false,
            'layer' => '',
        ];
        if ($analyte !== $column->analyte && is_string($analyte) && Analytes::find($analyte) !== null) {
            $known = Analytes::get($analyte);
            $fresh += ['form' => $known->ownForm(), 'unit' => $known->isUnitless() ? 'pH' : $column->unit];
        }
        $role = $changes['role'] ?? $column->role;
        if (
            in_array($role, [ColumnRole::Result, ColumnRole::Rating], true) &&
            ($analyte === '' || ! is_string($analyte))
        ) {
            throw new BadOption('map_result_of_nothing', ['column' => $column->name]);
        }

        return $column->with([...$fresh, ...$changes]);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadOption
     */
    private static function meaning(string $name, mixed $given): array
    {
        if (is_string($given)) {
            return self::word($name, $given);
        }
        if ($given === null) {
            return ['role' => ColumnRole::Ignore];
        }
        if (! is_array($given)) {
            throw new BadOption('map_no_meaning_known', ['name' => $name]);
        }

        return self::said($name, $given);
    }

    /**
     * @param array<array-key, mixed> $given
     * @return array<string, mixed>
     *
     * @throws BadOption
     */
    private static function said(string $name, array $given): array
    {
        $changes = [];
        $texts = array_filter($given, static fn (mixed $text): bool => is_string($text) && $text !== '');
        foreach (array_intersect(['meaning', 'role', 'analyte'], array_keys($texts)) as $key) {
            $changes = [...$changes, ...self::word($name, $texts[$key], $key)];
        }
        if (isset($texts['unit'])) {
            $changes['unit'] = self::unit($name, $texts['unit']);
        }
        foreach (array_intersect(['form', 'extractant', 'instrument'], array_keys($texts)) as $key) {
            $changes[$key] = mb_substr($texts[$key], 0, 40);
        }
        $analyte = $changes['analyte'] ?? null;
        if (is_string($analyte) && isset($changes['form'])) {
            self::refuseForm($name, $analyte, $changes['form']);
        }

        return $changes;
    }

    /** @throws BadOption */
    private static function unit(string $name, string $unit): string
    {
        return UnitText::read($unit)->unit->code ??
            throw new BadOption('map_unit_not_understood', ['unit' => $unit, 'name' => $name]);
    }

    /** @throws BadOption */
    private static function refuseForm(string $name, string $analyte, mixed $form): void
    {
        $known = Analytes::get($analyte);
        if (! in_array($form, [...$known->forms, $known->element], true)) {
            throw new BadOption('map_form_of_another_analyte', [
                'name' => $name,
                'analyte' => $analyte,
                'known' => implode(', ', $known->forms),
            ]);
        }
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadOption
     */
    private static function word(string $name, string $word, string $key = 'meaning'): array
    {
        $role = $key === 'analyte' ? null : ColumnRole::tryFrom($word);
        if ($role !== null) {
            return ['role' => $role];
        }
        if (Analytes::find($word) !== null && $key !== 'role') {
            return ['analyte' => $word, ...$key === 'analyte' ? [] : ['role' => ColumnRole::Result]] + [
                'role' => ColumnRole::Result,
            ];
        }
        if ($key === 'meaning' && in_array($word, ['none', 'unknown', 'saturation'], true)) {
            return ['role' => ColumnRole::Ignore];
        }
        throw new BadOption('map_no_meaning', [
            'word' => $word,
            'name' => $name,
            'known' => implode(', ', ColumnRole::values()),
        ]);
    }
}
