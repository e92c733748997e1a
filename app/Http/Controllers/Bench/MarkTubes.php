<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\LeadRun;
use App\Actions\Bench\MarkRun;
use App\Http\Requests\Bench\MarksRequest;
use App\Http\Resources\Bench\RunResource;
use App\Models\Run;
use App\Models\User;

final class MarkTubes
{
    public function __invoke(MarksRequest $request, Run $run, MarkRun $mark, LeadRun $lead): RunResource
    {
        /** @var User $author */
        $author = $request->user();

        return new RunResource(
            $lead->show(
                $mark($run, $author, $request->integer('now_ms'), $request->marks()),
                $request->integer('now_ms'),
            ),
        );
    }
}
