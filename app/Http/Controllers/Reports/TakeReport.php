<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Reports\ReportProgress;
use App\Actions\Reports\ReportView;
use App\Actions\Reports\TakeMapped;
use App\Http\Requests\Reports\FileRequest;
use App\Http\Resources\Reports\ReportResource;
use App\Models\User;
use Illuminate\Http\JsonResponse;

/** A file taken before is answered with what was made of it then, and changes nothing. */
final class TakeReport
{
    public function __invoke(FileRequest $request, TakeMapped $take, ReportProgress $progress): JsonResponse
    {
        // A file of 100,000 results needs more than PHP gives by itself.
        ini_set('memory_limit', '256M');
        set_time_limit(300);
        /** @var User $author */
        $author = $request->user();
        // Who leaves the page does not stop what was begun.
        ignore_user_abort(true);
        try {
            $report = $take(
                $request->reportFile(),
                $request->lab(),
                $request->wholeMapping(),
                $request->taking(),
                $author,
            );
        } finally {
            $progress->done($request->sha256());
        }

        return new JsonResponse(
            [...(new ReportResource(ReportView::of($report)))->toArray($request), 'taken_before' => ! $report->wasRecentlyCreated],
            $report->wasRecentlyCreated ? 201 : 200,
        );
    }
}
