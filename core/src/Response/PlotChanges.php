<?php

declare(strict_types=1);

namespace HonestCore\Response;

use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Table\CsvTable;
use HonestCore\Table\Number;

/**
 * What plots were before and after, treated and left as control.
 *
 * Quantity and unit: the unit of the results; change is after minus before.
 * Domain: at least one treated plot; each plot once in its group.
 */
final readonly class PlotChanges
{
    /**
     * @param non-empty-list<float> $treated
     * @param list<float> $control
     */
    private function __construct(public array $treated, public array $control) {}

    /**
     * @param list<float> $treated changes, after minus before
     * @param list<float> $control
     *
     * @throws BadTable
     */
    public static function of(array $treated, array $control): self
    {
        return $treated === [] ? throw new BadTable('no_plot_treated') : new self($treated, $control);
    }

    /**
     * @throws BadTable
     * @throws BadRow
     */
    public static function parse(string $text): self
    {
        [$changes, $seen] = [['treated' => [], 'control' => []], []];
        foreach (CsvTable::parse($text, ['group', 'plot', 'before', 'after'])->rows as $row => $cells) {
            $group = mb_strtolower(trim($cells['group']));
            if ($group !== 'treated' && $group !== 'control') {
                throw new BadRow('no_group', ['place' => $row, 'group' => $cells['group']]);
            }
            $plot = trim($cells['plot']);
            if ($plot === '' || isset($seen["{$group} {$plot}"])) {
                throw new BadRow(
                    $plot === '' ? 'plot_empty' : 'plot_twice',
                    ['place' => $row, 'plot' => $plot, 'group' => $group],
                );
            }
            $seen["{$group} {$plot}"] = true;
            $values = [];
            foreach (['before', 'after'] as $column) {
                $values[] =
                    Number::parse($cells[$column]) ??
                    throw new BadRow('plot_value_no_number', [
                        'place' => $row,
                        'column' => $column,
                        'value' => $cells[$column],
                    ]);
            }
            $changes[$group][] = $values[1] - $values[0];
        }

        return $changes['treated'] === []
            ? throw new BadTable('no_plot_treated')
            : new self($changes['treated'], $changes['control']);
    }
}
