<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\LeadRun;
use App\Actions\Bench\StartRun;
use App\Http\Requests\Bench\RunRequest;
use App\Http\Resources\Bench\RunResource;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class CreateRun
{
    public function __invoke(RunRequest $request, Site $site, StartRun $start, LeadRun $lead): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $method = TestMethod::ofBench($request->integer('method_id'));
        $run = $start($site, $method, $author, $request->setup());

        $status = $run->wasRecentlyCreated ? 201 : 200;

        return (new RunResource($lead->show($run, $request->integer('now_ms'))))->response()->setStatusCode($status);
    }
}
