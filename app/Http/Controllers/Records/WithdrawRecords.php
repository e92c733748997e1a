<?php

declare(strict_types=1);

namespace App\Http\Controllers\Records;

use App\Http\Resources\Records\RecordSetResource;
use App\Models\RecordSet;

/** Takes old pairs out of what is judged; they stay on record. */
final class WithdrawRecords
{
    public function __invoke(RecordSet $set): RecordSetResource
    {
        if ($set->withdrawn_at === null) {
            $set->update(['withdrawn_at' => now()]);
        }

        return new RecordSetResource($set->load(['method', 'reference', 'author'])->loadCount('pairs'));
    }
}
