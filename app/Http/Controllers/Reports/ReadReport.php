<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Reports\PreviewReport;
use App\Http\Requests\Reports\FileRequest;
use Illuminate\Http\JsonResponse;

/** Reads a file without taking it: what its columns may be, and its first rows as they would be stored. */
final class ReadReport
{
    public function __invoke(FileRequest $request, PreviewReport $preview): JsonResponse
    {
        // A file of 100,000 results needs more than PHP gives by itself.
        ini_set('memory_limit', '256M');
        set_time_limit(300);

        return new JsonResponse(
            $preview(
                $request->reportFile(),
                $request->lab(),
                $request->fittingMapping(),
                $request->decimalComma(),
                $request->sha256(),
            ),
        );
    }
}
