<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\UnitText;

/** Rows that hold a result each: what is measured stands in a cell, with its unit and extractant beside it. */
final class LongRows
{
    /** @var array<string, ReportColumn> by analyte, extractant and unit as they are written */
    private array $known = [];

    private readonly int $analyte;

    private readonly int $value;

    private readonly ?int $unit;

    private readonly ?int $extractant;

    /**
     * @param list<ReportColumn> $columns
     * @param list<ColumnContext> $contexts what stands about the column of values
     */
    public function __construct(private readonly array $columns, private readonly array $contexts)
    {
        $at = [];
        foreach ($columns as $i => $column) {
            $at[$column->role->value] ??= $i;
        }
        [$this->analyte, $this->value] = [
            $at['analyte'] ?? throw new \LogicException('A long table has its analytes.'),
            $at['value'] ?? throw new \LogicException('A long table has its values.'),
        ];
        [$this->unit, $this->extractant] = [$at['unit'] ?? null, $at['extractant'] ?? null];
    }

    /**
     * @param list<string> $cells
     * @return list<array{int, ReportColumn, string}>
     */
    public function of(array $cells): array
    {
        $name = $cells[$this->analyte];
        $extractant = $this->extractant === null ? '' : $cells[$this->extractant];
        $unit = $this->unit === null ? '' : $cells[$this->unit];
        $column = $this->known["{$name}\0{$extractant}\0{$unit}"] ??= $this->understood($name, $extractant, $unit);

        return [[$this->value, $column, $cells[$this->value]]];
    }

    private function understood(string $name, string $extractant, string $unit): ReportColumn
    {
        $column = ColumnName::read($name);
        if (! in_array($column->role, [ColumnRole::Result, ColumnRole::Rating], true)) {
            return new ReportColumn(
                $name,
                ColumnRole::Ignore,
                why: $column->why !== '' ? $column->why : ColumnName::notKnown($name),
            );
        }
        $bare = trim($unit, '()[] ');
        $blank = in_array(mb_strtolower($bare), ['', '-', 'n/a', 'na', 'none', 'unitless'], true);
        $column = $column->with(['confirmed' => $this->columns[$this->analyte]->confirmed]);
        if (! $blank && $column->known()?->isUnitless() !== true) {
            $read = UnitText::read($bare);
            $column =
                $read === null || $read->unit->kind === 'ph'
                    ? $column->with(['unit' => '', 'unread' => $bare, 'confirmed' => false])
                    : ColumnContext::ofCell($bare)->fill($column->with(['unit' => '', 'unread' => '']));
        }
        $column = $extractant === '' ? $column : self::extracted($column, $name, $extractant);
        $of = $this->columns[$this->value];
        if ($blank && $column->unit === '' && $column->unread === '' && $of->unit !== '') {
            $column = $column->with(['unit' => $of->unit]);
        }
        foreach ($this->contexts as $context) {
            $column = $context->fill($column);
        }

        return $column;
    }

    private static function extracted(ReportColumn $column, string $name, string $extractant): ReportColumn
    {
        $column = ColumnContext::ofCell($extractant)->fill($column);

        return $column->instrument !== ''
            ? $column
            : $column->with(['instrument' => ColumnName::read("{$name} {$extractant}")->instrument]);
    }
}
