<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Database\Like;
use App\Database\Page;
use App\Http\Resources\Reports\ReportLineResource;
use App\Models\LabReport;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The files of labs that were taken, the newest first, some at a time. */
final class ListReports
{
    private const PER_PAGE = 25;

    public function __invoke(Request $request): JsonResponse
    {
        $request->validate([
            'page' => Page::ASKED,
            'id' => ['sometimes', 'integer'],
            'replaces_for' => ['sometimes', 'integer'],
            'q' => ['sometimes', 'string', 'max:60'],
        ]);
        $reports = LabReport::register();
        if ($request->filled('replaces_for')) {
            LabReport::replaceableFor($reports, $request->integer('replaces_for'));
        }
        if ($request->filled('id')) {
            $reports->whereKey($request->integer('id'));
        }
        if ($request->filled('q')) {
            $reports->where(Like::in('file_name', $request->string('q')->toString()));
        }

        return new JsonResponse(
            Page::of($reports, $request->integer('page', 1), self::PER_PAGE)
                ->told(static fn (LabReport $report): ReportLineResource => new ReportLineResource($report)),
        );
    }
}
