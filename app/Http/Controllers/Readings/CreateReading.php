<?php

declare(strict_types=1);

namespace App\Http\Controllers\Readings;

use App\Actions\Readings\RecordReading;
use App\Http\Requests\Readings\ReadingRequest;
use App\Http\Resources\Readings\ReadingResource;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class CreateReading
{
    public function __invoke(ReadingRequest $request, Sample $sample, RecordReading $record): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $reading = $record($sample, $request->testMethod(), $author, $request->fields());

        return (new ReadingResource($reading->loadMissing('method', 'sample')))->response()->setStatusCode(201);
    }
}
