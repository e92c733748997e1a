<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Models\Area;
use App\Models\Reading;
use App\Models\RecordPair;
use App\Models\RecordSet;
use App\Models\Sample;
use App\Models\TestMethod;

/**
 * Pairs from records in the shape of those that were made here, so that all that judges pairs judges these as well. Their
 * samples and readings are never stored; their numbers are below 0.
 */
final class OldPairs
{
    /** Who read it, where nobody wrote that down. */
    public const NOT_RECORDED = 'not recorded';

    /** @return list<array{list<Reading>, float}> readings of a sample, and what the lab found */
    public function of(TestMethod $test, TestMethod $reference): array
    {
        $pairs = [];
        foreach (RecordSet::of($test, $reference)->with(['pairs' => static fn ($pairs) => $pairs->orderBy('id')])->get() as $set) {
            $area = (new Area())->forceFill(['id' => -$set->id, 'name' => $set->file_name, 'use' => $set->use, 'facts' => []]);
            foreach ($set->pairs->groupBy('sample') as $rows) {
                $pairs[] = [$this->readings(array_values($rows->all()), $area, $test), $rows->first()->reference ?? NAN];
            }
        }

        return $pairs;
    }

    /**
     * @param list<RecordPair> $rows
     * @return list<Reading>
     */
    private function readings(array $rows, Area $area, TestMethod $test): array
    {
        $readings = [];
        foreach ($rows as $row) {
            $sample ??= (new Sample())->forceFill([
                'id' => -$row->id,
                'code' => $row->sample,
                'year' => $row->year,
                'number' => $row->row,
                'conditions' => [],
                'cores_pulled' => 0,
                'cores_planned' => 0,
            ])->setRelation('area', $area);
            $readings[] = (new Reading())->forceFill([
                'id' => -$row->id,
                'sample_id' => $sample->id,
                'method_id' => $test->id,
                'value' => $row->value,
                'band' => $row->band,
                'between' => null,
                'as_reported' => $row->as_reported,
                // A year alone is a sitting that nobody knows: each row is then taken for one of its own.
                'read_on' => ($row->read_on ?? "{$row->year}-01-01"),
                'reader' => $row->reader === '' && $row->read_on === null ? self::NOT_RECORDED.", row {$row->row}" : $row->reader,
                'lot' => $row->lot,
                'flags' => [],
                'note' => '',
                'detail' => null,
                'run_id' => null,
                'method_version_id' => null,
            ])->setRelation('sample', $sample);
        }

        return $readings;
    }
}
