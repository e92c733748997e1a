<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\LabReport;
use App\Models\ReportPaper;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;

/** Keeps the lab's own paper beside its report, unread; the same paper again changes nothing. */
final class KeepPaper
{
    public function __invoke(LabReport $report, UploadedFile $paper, User $author): ReportPaper
    {
        $content = (string) $paper->getContent();
        $hash = hash('sha256', $content);
        $file = ReportPaper::FOLDER."/{$report->id}-{$hash}";
        Storage::disk('local')->put($file, $content);

        return ReportPaper::query()->createOrFirst(
            ['report_id' => $report->id, 'sha256' => $hash],
            [
                'created_by' => $author->id,
                'file' => $file,
                'type' => (string) $paper->getMimeType(),
                'bytes' => strlen($content),
                'name' => mb_substr($paper->getClientOriginalName(), 0, 120),
            ],
        );
    }
}
