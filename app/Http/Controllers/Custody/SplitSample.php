<?php

declare(strict_types=1);

namespace App\Http\Controllers\Custody;

use App\Actions\Custody\SplitOff;
use App\Http\Requests\Custody\SplitRequest;
use App\Http\Resources\Samples\SampleResource;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class SplitSample
{
    public function __invoke(SplitRequest $request, Sample $sample, SplitOff $split): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $split->sample(
            $author,
            $sample,
            $request->string('kind')->toString(),
            $request->at(),
            $request->volumeMl(),
            $request->tests(),
            $request->boolean('dry') ? 'dried' : '',
        );

        return (new SampleResource($sample->shown()))->response()->setStatusCode(201);
    }
}
