<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Database\AllOrNothing;
use App\Database\ManyRows;
use App\Exceptions\Conflict;
use App\Exceptions\Refused;
use App\Models\RecordPair;
use App\Models\RecordSet;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Reports\RecordRow;

/** Keeps the pairs of a spreadsheet as evidence from records. Nothing is stored while anything of it is open. */
final class TakeRecords
{
    private const FEWEST = 1;

    /** @param array{submission: string, name: string, use: string, says: string} $about */
    public function __invoke(RecordFile $file, TestMethod $test, TestMethod $reference, array $about, User $author): RecordSet
    {
        $open = $file->mapping->asks($test->analyte, $test->bands !== null);
        if ($open !== []) {
            throw Refused::because('records_open', asks: implode(' ', $open));
        }
        if ($file->records->unsettled) {
            throw Refused::because('records_unsettled');
        }
        if (count($file->records->rows) < self::FEWEST) {
            throw Refused::because('records_without_pairs');
        }

        return AllOrNothing::of(static function () use ($file, $test, $reference, $about, $author): RecordSet {
            $known = RecordSet::query()->where('submission', $about['submission'])->first();
            if ($known !== null && $known->sha256 !== $file->sha256) {
                throw Conflict::because('submission_other');
            }
            if ($known !== null) {
                return $known->shown();
            }
            $set = RecordSet::query()->create([
                'method_id' => $test->id,
                'reference_id' => $reference->id,
                'created_by' => $author->id,
                'submission' => $about['submission'],
                'file_name' => $about['name'],
                'sha256' => $file->sha256,
                'use' => $about['use'],
                'says' => $about['says'],
                'mapping' => $file->mapping->toRow(),
                'left_out' => array_slice($file->records->leftOut, 0, 1000),
            ]);
            ManyRows::insert(
                'record_pairs',
                array_map(static fn (RecordRow $row): array => RecordPair::ofRow($row, $set), $file->records->rows),
            );

            return $set->shown();
        });
    }
}
