<?php

declare(strict_types=1);

namespace App\Http\Controllers\Records;

use App\Actions\Records\TakeRecords;
use App\Http\Requests\Records\RecordsRequest;
use App\Http\Resources\Records\RecordSetResource;
use App\Models\TestMethod;
use App\Models\User;
use Illuminate\Http\JsonResponse;

/** Brings the pairs of a spreadsheet in. */
final class CreateRecords
{
    public function __invoke(RecordsRequest $request, TestMethod $method, TakeRecords $take): JsonResponse
    {
        $request->validate([
            'use' => ['required', 'string'],
            'says' => ['required', 'string'],
            'submission' => ['required', 'uuid'],
        ]);
        /** @var User $author */
        $author = $request->user();
        $set = $take($request->records(), $method, $request->reference(), [
            'submission' => $request->string('submission')->toString(),
            'name' => $request->fileName(),
            'use' => $request->string('use')->toString(),
            'says' => $request->string('says')->toString(),
        ], $author);

        return (new RecordSetResource($set))->response()->setStatusCode(201);
    }
}
