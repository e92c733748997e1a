<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Table\CsvTable;
use HonestCore\Table\Number;

/**
 * The paired readings of one test and one reference, from a table with the columns sample, reference, test
 * and optionally replicate, flag and cluster.
 *
 * Domain: a row with any text under `flag` is left out, its numbers are not read. One sample stands on
 *   several rows only with a `replicate` column and the same reference. With a `cluster` column every row that is not
 * left out
 *   names one, the same for all rows of a sample.
 */
final readonly class EvidenceTable
{
    private const LARGEST = 1e12;

    private function __construct(public SampleColumns $samples, public int $leftOut) {}

    /**
     * @throws BadTable
     * @throws BadRow
     */
    public static function parse(string $text, Scale $scale, ?Bands $bands): self
    {
        [$columns, $rows] = CsvTable::streamed($text, ['sample', 'reference', 'test']);
        [$replicates, $clustered] = [in_array('replicate', $columns, true), in_array('cluster', $columns, true)];
        [$places, $references, $tests, $clusters, $leftOut] = [[], [], [], [], 0];
        foreach ($rows as $row => $cells) {
            if (($cells['flag'] ?? '') !== '') {
                $leftOut++;

                continue;
            }
            $sample = $cells['sample'];
            if ($sample === '') {
                throw new BadRow('sample_empty', ['place' => $row]);
            }
            $at = $places['s'.$sample] ??= count($references);
            $again = isset($references[$at]);
            if ($again && ! $replicates) {
                throw new BadRow('sample_stands_on_several_rows', ['place' => $row, 'sample' => $sample]);
            }
            $reference = self::reference($row, $cells, $scale, $references[$at] ?? null);
            if ($clustered) {
                $clusters[$at] = self::cluster($row, $sample, $cells['cluster'], $clusters[$at] ?? null);
            }
            $test = $bands === null
                ? self::number($row, 'test', $cells['test'], $scale)
                : self::band($row, $cells['test'], $bands);
            $references[$at] = $reference;
            $tests[$at] = $again ? self::with($tests[$at], $test) : $test;
        }

        return new self(new SampleColumns($places, $references, $tests, $clusters), $leftOut);
    }

    /**
     * @param array<string, string> $cells
     *
     * @throws BadRow
     */
    private static function reference(int $row, array $cells, Scale $scale, ?float $before): float
    {
        $reference = self::number($row, 'reference', $cells['reference'], $scale);
        if ($before !== null && $before !== $reference) {
            throw new BadRow('reference_differs', [
                'place' => $row,
                'sample' => $cells['sample'],
                'before' => $before,
                'reference' => $reference,
            ]);
        }

        return $reference;
    }

    /**
     * @param float|Band|non-empty-list<float|Band> $before
     * @return non-empty-list<float|Band>
     */
    private static function with(float|Band|array $before, float|Band $test): array
    {
        return [...is_array($before) ? $before : [$before], $test];
    }

    /** @throws BadRow */
    private static function number(int $row, string $column, string $cell, Scale $scale): float
    {
        $value = Number::parse($cell);
        if ($value === null) {
            $shown = $cell === '' ? 'an empty cell' : "\"{$cell}\"";
            throw new BadRow('no_finite_number', [
                'place' => $row,
                'column' => $column,
                'value' => $shown,
            ]);
        }
        if (abs($value) > self::LARGEST) {
            throw new BadRow('number_too_large', [
                'place' => $row,
                'column' => $column,
                'value' => $cell,
            ]);
        }
        if ($scale === Scale::Ratio && $value <= 0) {
            throw new BadRow('not_above_zero_on_ratio_scale', [
                'place' => $row,
                'column' => $column,
                'value' => $cell,
            ]);
        }

        return $value;
    }

    /** @throws BadRow */
    private static function cluster(int $row, string $sample, string $cell, ?string $before): string
    {
        $cluster = trim($cell);
        if ($cluster === '') {
            throw new BadRow('cluster_empty', ['place' => $row]);
        }
        if ($before !== null && $before !== $cluster) {
            throw new BadRow('cluster_differs', [
                'place' => $row,
                'sample' => $sample,
                'before' => $before,
                'cluster' => $cluster,
            ]);
        }

        return $cluster;
    }

    /** @throws BadRow */
    private static function band(int $row, string $cell, Bands $bands): Band
    {
        $names = implode(', ', array_map(static fn (Band $band): string => $band->name, $bands->bands));
        $shown = $cell === '' ? 'an empty cell' : "\"{$cell}\"";

        return $bands->named($cell) ?? throw new BadRow('no_band_name', [
            'place' => $row,
            'value' => $shown,
            'known' => $names,
        ]);
    }
}
