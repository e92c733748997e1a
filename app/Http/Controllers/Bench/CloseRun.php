<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\FinishRun;
use App\Actions\Bench\LeadRun;
use App\Exceptions\Conflict;
use App\Http\Resources\Bench\RunResource;
use App\Models\Run;
use App\Models\User;
use Illuminate\Http\Request;

/** Finishes a run, or drops it: a dropped one keeps its log and gives no readings. */
final class CloseRun
{
    public function __invoke(Request $request, Run $run, FinishRun $finish, LeadRun $lead): RunResource
    {
        $request->validate([
            'leave_unread' => ['required', 'boolean'],
            'note' => ['present', 'nullable', 'string', 'max:2000'],
            'drop' => ['required', 'boolean'],
        ]);
        /** @var User $author */
        $author = $request->user();
        if (! $request->boolean('drop')) {
            return new RunResource(
                $lead->show(
                    $finish(
                        $run,
                        $author,
                        $request->boolean('leave_unread'),
                        $request->string('note')->toString(),
                    )->fresh() ?? $run,
                ),
            );
        }
        if ($run->state === 'finished') {
            throw Conflict::because('run_finished');
        }
        $run->update([
            'state' => 'dropped',
            'finished_at' => now(),
            'note' => trim("{$run->note} {$request->string('note')}"),
        ]);

        return new RunResource($lead->show($run));
    }
}
