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

    /** @param list<PairedSample> $samples */
    private function __construct(public array $samples, public int $leftOut) {}

    /**
     * @throws BadTable
     * @throws BadRow
     */
    public static function parse(string $text, Scale $scale, ?Bands $bands): self
    {
        $table = CsvTable::parse($text, ['sample', 'reference', 'test']);
        [$references, $tests, $clusters, $leftOut] = [[], [], [], 0];
        foreach ($table->rows as $row => $cells) {
            if (($cells['flag'] ?? '') !== '') {
                $leftOut++;

                continue;
            }
            $sample = $cells['sample'];
            if ($sample === '') {
                throw new BadRow('sample_empty', ['place' => $row]);
            }
            $key = 's'.$sample;
            if (isset($tests[$key]) && ! $table->has('replicate')) {
                throw new BadRow('sample_stands_on_several_rows', [
                    'place' => $row,
                    'sample' => $sample,
                ]);
            }
            $reference = self::number($row, 'reference', $cells['reference'], $scale);
            if (($references[$key] ?? $reference) !== $reference) {
                throw new BadRow('reference_differs', [
                    'place' => $row,
                    'sample' => $sample,
                    'before' => $references[$key],
                    'reference' => $reference,
                ]);
            }
            $references[$key] = $reference;
            if ($table->has('cluster')) {
                $clusters[$key] = self::cluster($row, $sample, $cells['cluster'], $clusters[$key] ?? null);
            }
            $tests[$key][] =
                $bands === null
                    ? self::number($row, 'test', $cells['test'], $scale)
                    : self::band($row, $cells['test'], $bands);
        }

        return new self(self::paired($references, $tests, $clusters), $leftOut);
    }

    /**
     * @param array<string, float> $references
     * @param array<string, non-empty-list<float|Band>> $tests
     * @param array<string, string> $clusters
     * @return list<PairedSample>
     */
    private static function paired(array $references, array $tests, array $clusters): array
    {
        $samples = [];
        foreach ($tests as $key => $values) {
            $name = substr($key, 1);
            $readings = array_values(array_filter($values, is_float(...)));
            $bands = array_values(array_filter($values, static fn (float|Band $value): bool => $value instanceof Band));
            $sample = match (true) {
                $readings !== [] => PairedSample::numeric($name, $references[$key], $readings),
                $bands !== [] => PairedSample::ordinal($name, $references[$key], $bands),
                default => null,
            };
            if ($sample !== null) {
                $samples[] = isset($clusters[$key]) ? $sample->inCluster($clusters[$key]) : $sample;
            }
        }

        return $samples;
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
