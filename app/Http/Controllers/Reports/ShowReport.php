<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Readings\NoteGlimpses;
use App\Actions\Reports\ReportView;
use App\Http\Resources\Reports\ReportResource;
use App\Models\LabReport;

final class ShowReport
{
    public function __invoke(LabReport $report, NoteGlimpses $note): ReportResource
    {
        $note->ofReport($report);

        return new ReportResource(ReportView::of($report));
    }
}
