<?php

declare(strict_types=1);

namespace App\Http\Controllers\Records;

use App\Http\Requests\Records\RecordsRequest;
use App\Http\Resources\Records\RecordPreviewResource;
use App\Models\TestMethod;

/** What a spreadsheet of old pairs would give: nothing is stored. */
final class PreviewRecords
{
    public function __invoke(RecordsRequest $request, TestMethod $method): RecordPreviewResource
    {
        return new RecordPreviewResource($request->records(), $method);
    }
}
