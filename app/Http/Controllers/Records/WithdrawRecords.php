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
        return new RecordSetResource($set->withdrawn());
    }
}
