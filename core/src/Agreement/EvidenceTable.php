<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Table\CsvTable;
use HonestCore\Table\Number;

/**
 * The paired readings of one test and one reference, from a table with the columns sample, reference, test
 * and optionally replicate and flag.
 *
 * Domain: a row with any text under `flag` is left out, its numbers are not read. One sample stands on
 *   several rows only with a `replicate` column and the same reference.
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
        [$references, $tests, $leftOut] = [[], [], 0];
        foreach ($table->rows as $row => $cells) {
            if (($cells['flag'] ?? '') !== '') {
                $leftOut++;

                continue;
            }
            $sample = $cells['sample'];
            if ($sample === '') {
                throw BadRow::at($row, 'the sample is empty', 'the code of a sample');
            }
            $key = 's'.$sample;
            if (isset($tests[$key]) && ! $table->has('replicate')) {
                throw BadRow::at($row, "sample {$sample} stands on several rows", 'one row a sample, or a replicate column');
            }
            $reference = self::number($row, 'reference', $cells['reference'], $scale);
            if (($references[$key] ?? $reference) !== $reference) {
                throw BadRow::at($row, "sample {$sample} has another reference than before ({$references[$key]}, now {$reference})", 'the same reference on all rows of a sample');
            }
            $references[$key] = $reference;
            $tests[$key][] = $bands === null
                ? self::number($row, 'test', $cells['test'], $scale)
                : self::band($row, $cells['test'], $bands);
        }

        return new self(self::paired($references, $tests), $leftOut);
    }

    /**
     * @param array<string, float> $references
     * @param array<string, non-empty-list<float|Band>> $tests
     * @return list<PairedSample>
     */
    private static function paired(array $references, array $tests): array
    {
        $samples = [];
        foreach ($tests as $key => $values) {
            $name = substr($key, 1);
            $readings = array_values(array_filter($values, is_float(...)));
            $bands = array_values(array_filter($values, static fn (float|Band $value): bool => $value instanceof Band));
            if ($readings !== []) {
                $samples[] = PairedSample::numeric($name, $references[$key], $readings);
            } elseif ($bands !== []) {
                $samples[] = PairedSample::ordinal($name, $references[$key], $bands);
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
            throw BadRow::at($row, "{$column} is {$shown}", 'a finite number with a decimal point, such as 6.25');
        }
        if (abs($value) > self::LARGEST) {
            throw BadRow::at($row, "{$column} is {$cell}", 'a number within ± 1e12');
        }
        if ($scale === Scale::Ratio && $value <= 0) {
            throw BadRow::at($row, "{$column} is {$cell}", 'a number above 0 on the ratio scale');
        }

        return $value;
    }

    /** @throws BadRow */
    private static function band(int $row, string $cell, Bands $bands): Band
    {
        $names = implode(', ', array_map(static fn (Band $band): string => $band->name, $bands->bands));
        $shown = $cell === '' ? 'an empty cell' : "\"{$cell}\"";

        return $bands->named($cell) ?? throw BadRow::at($row, "test is {$shown}", "a band name: {$names}");
    }
}
