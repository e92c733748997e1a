<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Samples\PullComposite;
use App\Http\Requests\Samples\SampleRequest;
use App\Http\Resources\Samples\SampleResource;
use App\Models\Plan;
use App\Models\Sample;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;

final class CreateSample
{
    public function __invoke(SampleRequest $request, Plan $plan, PullComposite $pull): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $submission = $request->input('submission');
        $samples = $pull(
            $plan,
            $author,
            [
                'composite' => $request->composite(),
                'pulled_on' => $request->string('pulled_on')->toString(),
                'pulled_by' => $request->string('pulled_by')->toString(),
                'cores_pulled' => $request->coresPulled(),
                'note' => $request->string('note')->toString(),
                'submission' => is_string($submission) ? $submission : null,
                'conditions' => $request->conditions(),
            ],
            $request->cores(),
        );
        $fresh = $samples[0]->wasRecentlyCreated;
        $all = (new Collection($samples))->loadMissing(Sample::SHOWN_WITH);

        return new JsonResponse(
            [
                'samples' => $all
                    ->map(static fn (Sample $sample): array => (new SampleResource($sample))->resolve($request))
                    ->values(),
            ],
            $fresh ? 201 : 200,
        );
    }
}
