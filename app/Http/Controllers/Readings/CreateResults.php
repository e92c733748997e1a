<?php

declare(strict_types=1);

namespace App\Http\Controllers\Readings;

use App\Actions\Readings\RecordReading;
use App\Http\Requests\Readings\ResultsRequest;
use App\Http\Resources\Samples\SampleResource;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;

final class CreateResults
{
    public function __invoke(ResultsRequest $request, Sample $sample, RecordReading $record): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        DB::transaction(static function () use ($request, $sample, $record, $author): void {
            foreach ($request->results() as [$method, $typed]) {
                $record($sample, $method, $author, [
                    'typed' => $typed,
                    'read_on' => $request->string('read_on')->toString(),
                    'reader' => $method->name,
                    'flags' => [],
                    'note' => '',
                    'corrects_id' => null,
                ]);
            }
        });

        return (new SampleResource($sample->load(SampleResource::NEEDS)))->response()->setStatusCode(201);
    }
}
