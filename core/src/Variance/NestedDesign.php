<?php

declare(strict_types=1);

namespace HonestCore\Variance;

use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\CsvTable;
use HonestCore\Table\Number;

/**
 * Two samples from each target and two analyses of each sample: the balanced design of the duplicate method.
 *
 * Quantity and unit: values in the unit of the analyte.
 * Domain: 2 targets or more, each with two samples of two analyses; all finite and no larger than 1e12.
 * Source: Eurachem/CITAC/EUROLAB guide "Measurement uncertainty arising from sampling", the duplicate method.
 */
final readonly class NestedDesign
{
    private const LARGEST = 1e12;

    /** @param non-empty-list<array{array{float, float}, array{float, float}}> $targets */
    private function __construct(public array $targets) {}

    /**
     * @param list<array{array{float, float}, array{float, float}}> $targets
     *
     * @throws ValueOutOfRange
     */
    public static function of(array $targets): self
    {
        if (count($targets) < 2) {
            throw new ValueOutOfRange('number_targets', ['value' => count($targets), 'low' => 2]);
        }
        foreach ($targets as $samples) {
            foreach ([...$samples[0], ...$samples[1]] as $value) {
                if (! is_finite($value) || abs($value) > self::LARGEST) {
                    throw new ValueOutOfRange('value', ['value' => $value]);
                }
            }
        }

        return new self($targets);
    }

    /**
     * @throws BadTable
     * @throws BadRow
     */
    public static function parse(string $text): self
    {
        $table = CsvTable::parse($text, ['target', 'sample', 'analysis', 'value']);
        $found = $rows = [];
        foreach ($table->rows as $row => $cells) {
            self::needNames($cells, $row);
            $value = self::value($cells['value'], $row);
            [$target, $sample, $analysis] = ['t'.$cells['target'], 's'.$cells['sample'], 'a'.$cells['analysis']];
            if (isset($found[$target][$sample][$analysis])) {
                throw new BadRow('analysis_twice', [
                    'place' => $row,
                    'analysis' => $cells['analysis'],
                    'sample' => $cells['sample'],
                    'target' => $cells['target'],
                    'before' => $rows[$target][$sample][$analysis],
                ]);
            }
            $found[$target][$sample][$analysis] = $value;
            $rows[$target][$sample][$analysis] = $row;
        }
        $targets = [];
        foreach ($found as $target => $samples) {
            $last = max(array_merge(...array_map(array_values(...), array_values($rows[$target]))));
            $targets[] = self::target(substr($target, 1), $samples, $last);
        }
        if (count($targets) < 2) {
            throw new BadTable('one_target');
        }

        return new self($targets);
    }

    /**
     * @param array<string, string> $cells
     *
     * @throws BadRow
     */
    private static function needNames(array $cells, int $row): void
    {
        foreach (['target', 'sample', 'analysis'] as $column) {
            if ($cells[$column] === '') {
                throw new BadRow('cell_empty', ['place' => $row, 'column' => $column]);
            }
        }
    }

    /** @throws BadRow */
    private static function value(string $cell, int $row): float
    {
        $value = Number::parse($cell);
        if ($value === null || ! is_finite($value) || abs($value) > self::LARGEST) {
            throw new BadRow($cell === '' ? 'value_empty' : 'no_value', ['place' => $row, 'cell' => $cell]);
        }

        return $value;
    }

    /**
     * Two samples of a target with two analyses each.
     *
     * @param array<string, array<string, float>> $samples
     * @return array{array{float, float}, array{float, float}}
     *
     * @throws BadRow
     */
    private static function target(string $target, array $samples, int $last): array
    {
        if (count($samples) !== 2) {
            $count = count($samples) === 1 ? '1 sample' : count($samples).' samples';
            throw new BadRow('target_not_sampled_twice', [
                'place' => $last,
                'target' => $target,
                'count' => $count,
            ]);
        }
        $pairs = [];
        foreach ($samples as $sample => $analyses) {
            $values = array_values($analyses);
            if (count($values) !== 2) {
                $count = count($values) === 1 ? '1 analysis' : count($values).' analyses';
                throw new BadRow('sample_not_analysed_twice', [
                    'place' => $last,
                    'sample' => substr($sample, 1),
                    'target' => $target,
                    'count' => $count,
                ]);
            }
            $pairs[] = [$values[0], $values[1]];
        }

        return [$pairs[0], $pairs[1] ?? throw new \LogicException('A target has two samples.')];
    }
}
