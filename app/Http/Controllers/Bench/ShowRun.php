<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\LeadRun;
use App\Models\Run;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ShowRun
{
    public function __invoke(Request $request, Run $run, LeadRun $lead): JsonResponse
    {
        return new JsonResponse($lead->show($run, $request->has('now_ms') ? $request->integer('now_ms') : null));
    }
}
