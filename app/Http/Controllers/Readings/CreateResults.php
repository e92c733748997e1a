<?php

declare(strict_types=1);

namespace App\Http\Controllers\Readings;

use App\Actions\Readings\RecordReading;
use App\Http\Requests\Readings\ResultsRequest;
use App\Http\Resources\Samples\SampleResource;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class CreateResults
{
    public function __invoke(ResultsRequest $request, Sample $sample, RecordReading $record): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $record->all($sample, $author, $request->results(), $request->string('read_on')->toString());

        return (new SampleResource($sample->shown()))->response()->setStatusCode(201);
    }
}
