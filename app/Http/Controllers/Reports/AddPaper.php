<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Http\Requests\Reports\PaperRequest;
use App\Models\LabReport;
use App\Models\ReportPaper;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Storage;

/** The same paper again changes nothing. */
final class AddPaper
{
    public function __invoke(PaperRequest $request, LabReport $report): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $content = (string) $request->paper()->getContent();
        $hash = hash('sha256', $content);
        $file = ReportPaper::FOLDER."/{$report->id}-{$hash}";
        Storage::disk('local')->put($file, $content);
        $paper = ReportPaper::query()->createOrFirst(
            ['report_id' => $report->id, 'sha256' => $hash],
            [
                'created_by' => $author->id,
                'file' => $file,
                'type' => (string) $request->paper()->getMimeType(),
                'bytes' => strlen($content),
                'name' => mb_substr($request->paper()->getClientOriginalName(), 0, 120),
            ],
        );

        return new JsonResponse(['id' => $paper->id, 'name' => $paper->name, 'bytes' => $paper->bytes], 201);
    }
}
