<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Files\KeptFile;
use App\Models\LabReport;
use App\Models\ReportPaper;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\HeaderUtils;

/** The paper as it was kept, to be saved rather than shown in the page. */
final class ShowPaper
{
    public function __invoke(LabReport $report, ReportPaper $paper): Response
    {
        abort_if($paper->report_id !== $report->id, 404);
        $plain = trim((string) preg_replace('/[^A-Za-z0-9._ -]+/', '_', $paper->name));

        return KeptFile::show($paper->file, $paper->type, [
            'X-Content-Type-Options' => 'nosniff',
            'Content-Disposition' => HeaderUtils::makeDisposition(
                HeaderUtils::DISPOSITION_ATTACHMENT,
                str_replace(['/', '\\', '%'], '_', $paper->name) ?: 'paper',
                $plain === '' ? 'paper' : $plain,
            ),
        ]);
    }
}
