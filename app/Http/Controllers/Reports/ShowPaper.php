<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Models\LabReport;
use App\Models\ReportPaper;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\HeaderUtils;

/** The paper as it was kept, to be saved rather than shown in the page. */
final class ShowPaper
{
    public function __invoke(LabReport $report, ReportPaper $paper): Response
    {
        $content = $paper->report_id === $report->id ? Storage::disk('local')->get($paper->file) : null;
        abort_if($content === null, 404);
        $plain = trim((string) preg_replace('/[^A-Za-z0-9._ -]+/', '_', $paper->name));

        return new Response($content, 200, [
            'Content-Type' => $paper->type,
            'Cache-Control' => 'private, max-age=86400',
            'X-Content-Type-Options' => 'nosniff',
            'Content-Disposition' => HeaderUtils::makeDisposition(
                HeaderUtils::DISPOSITION_ATTACHMENT,
                str_replace(['/', '\\', '%'], '_', $paper->name) ?: 'paper',
                $plain === '' ? 'paper' : $plain,
            ),
        ]);
    }
}
