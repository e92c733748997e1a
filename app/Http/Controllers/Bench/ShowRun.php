<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\LeadRun;
use App\Http\Resources\Bench\RunResource;
use App\Models\Run;
use Illuminate\Http\Request;

final class ShowRun
{
    public function __invoke(Request $request, Run $run, LeadRun $lead): RunResource
    {
        return new RunResource($lead->show($run, $request->has('now_ms') ? $request->integer('now_ms') : null));
    }
}
