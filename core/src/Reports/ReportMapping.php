<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\BadTable;

/**
 * How the columns of a file are read: as understood, as kept from the last file of its shape, or as a person said.
 *
 * Quantity and unit: bulk density in g/cm3, null for the usual one.
 */
final readonly class ReportMapping
{
    /** What a lab's pH is in, where nothing is said: common practice where the lab says nothing. */
    private const PH_IN = 'water';

    /** @param list<ReportColumn> $columns */
    private function __construct(public array $columns, public ?float $bulkDensity) {}

    /** @throws BadTable */
    public static function understood(ReportTable $table): self
    {
        return new self(
            array_map(
                static fn (ReportColumn $column): ReportColumn => $column->analyte === 'ph' &&
                $column->isResult() &&
                $column->extractant === ''
                    ? $column->with(['extractant' => self::PH_IN])
                    : $column,
                ReportReading::of($table)->columns,
            ),
            null,
        );
    }

    /**
     * The mapping that JSON holds, for a file with these columns.
     *
     * @param list<string> $names
     *
     * @throws BadTable for what is none
     */
    public static function fromArray(mixed $given, array $names): self
    {
        if (! is_array($given) || ! is_array($given['columns'] ?? null) || ! array_is_list($given['columns'])) {
            throw new BadTable('no_mapping');
        }
        if (count($given['columns']) !== count($names)) {
            throw new BadTable('mapping_of_another_file', [
                'named' => count($given['columns']),
                'columns' => count($names),
            ]);
        }
        $density = $given['bulk_density'] ?? null;
        if ($density !== null && ! ((is_int($density) || is_float($density)) && $density >= 0.05 && $density <= 2.65)) {
            throw new BadTable('no_mapping');
        }

        return new self(
            array_map(ReportColumn::fromArray(...), $given['columns'], $names),
            $density === null ? null : (float) $density,
        );
    }

    /** @throws BadTable where no sample or no result could come of it */
    public function check(): void
    {
        $roles = array_count_values(
            array_map(static fn (ReportColumn $column): string => $column->role->value, $this->columns),
        );
        foreach ($roles as $role => $count) {
            if ($count > 1 && ! ColumnRole::from($role)->mayRepeat()) {
                throw new BadTable('columns_of_one_role', ['count' => $count, 'role' => $role]);
            }
        }
        if (array_intersect_key($roles, ['sample' => 1, 'lab_number' => 1, 'bag' => 1]) === []) {
            throw new BadTable('no_column_says_sample');
        }
        if (! isset($roles['result']) && ! isset($roles['analyte'], $roles['value'])) {
            throw new BadTable('no_column_holds_results');
        }
    }

    /**
     * What tells one shape of file from another: its names, and what was understood of them, units above and below the
     * names too.
     */
    public static function fingerprint(ReportTable $table): string
    {
        $seen = array_map(
            static fn (ReportColumn $column): array => array_values($column->toArray()),
            ReportReading::of($table)->columns,
        );

        return hash(
            'sha256',
            json_encode(
                [array_map(mb_strtolower(...), $table->columns), $seen],
                JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE,
            ),
        );
    }

    /**
     * @return array{columns: list<array{name: string, role: string, analyte: string|null, form: string, unit: string,
     * extractant: string, instrument: string, confirmed: bool}>, bulk_density: float|null}
     */
    public function toArray(): array
    {
        return [
            'columns' => array_map(static fn (ReportColumn $column): array => $column->toArray(), $this->columns),
            'bulk_density' => $this->bulkDensity,
        ];
    }
}
