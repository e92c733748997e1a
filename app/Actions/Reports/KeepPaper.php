<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Files\KeptFile;
use App\Models\LabReport;
use App\Models\ReportPaper;
use App\Models\User;
use Illuminate\Http\UploadedFile;

/** Keeps the lab's own paper beside its report, unread; the same paper again changes nothing. */
final class KeepPaper
{
    public function __invoke(LabReport $report, UploadedFile $paper, User $author): ReportPaper
    {
        $kept = KeptFile::keep(ReportPaper::FOLDER."/{$report->id}", $paper);

        return ReportPaper::query()->createOrFirst(
            ['report_id' => $report->id, 'sha256' => $kept->sha256],
            [
                'created_by' => $author->id,
                'file' => $kept->file,
                'type' => $kept->type,
                'bytes' => $kept->bytes,
                'name' => mb_substr($paper->getClientOriginalName(), 0, 120),
            ],
        );
    }
}
