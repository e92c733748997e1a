<?php

declare(strict_types=1);

namespace App\Actions\Readings;

use App\Exceptions\Conflict;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * Stores a reading of a composite's portion. Nothing is overwritten: a correction is a reading of its own that
 * points at the one it corrects.
 */
final class RecordReading
{
    /** @param array{typed: string, read_on: string, reader: string, flags: list<string>, note: string, corrects_id: int|null} $fields */
    public function __invoke(Sample $sample, TestMethod $method, User $author, array $fields, ?int $importId = null): Reading
    {
        return DB::transaction(static function () use ($sample, $method, $author, $fields, $importId): Reading {
            $standing = Reading::query()->where('sample_id', $sample->id)->where('method_id', $method->id)->whereDoesntHave('correction')->pluck('id');
            if ($fields['corrects_id'] !== null && ! $standing->contains($fields['corrects_id'])) {
                throw new Conflict('The reading to correct is not there, or was corrected already. Look at the sample again.');
            }
            if ($fields['corrects_id'] === null && $method->portion === 'lab' && $standing->isNotEmpty()) {
                throw new Conflict("{$sample->code} has a result by {$method->name} already. Correct that one instead.");
            }

            return Reading::query()->create([
                'sample_id' => $sample->id,
                'portion_id' => $sample->portions()->where('kind', $method->portion)->valueOrFail('id'),
                'method_id' => $method->id,
                'import_id' => $importId,
                'created_by' => $author->id,
                'corrects_id' => $fields['corrects_id'],
                'value' => $method->bands === null ? (float) $fields['typed'] : null,
                'band' => $method->bands === null ? null : $fields['typed'],
                'as_reported' => $fields['typed'],
                'read_on' => $fields['read_on'],
                'reader' => $fields['reader'],
                'flags' => $fields['flags'],
                'note' => $fields['note'],
            ]);
        });
    }
}
