<?php

declare(strict_types=1);

namespace App\Http\Controllers\Records;

use App\Http\Resources\Records\RecordSetResource;
use App\Models\RecordSet;
use App\Models\TestMethod;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

/** The spreadsheets of old pairs that were brought in for a test. */
final class ListRecords
{
    public function __invoke(TestMethod $method): AnonymousResourceCollection
    {
        return RecordSetResource::collection(RecordSet::listed($method));
    }
}
