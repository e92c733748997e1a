<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Readings\NoteGlimpses;
use App\Actions\Reports\ExportResults;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class DownloadResults
{
    public function __invoke(string $format, ExportResults $export, NoteGlimpses $note): StreamedResponse
    {
        $note->ofTeam();
        $write = static function (string $text): void {
            echo $text;
        };

        return new StreamedResponse(
            static fn () => $format === 'csv' ? $export->csv($write) : $export->json($write),
            200,
            [
                'Content-Type' => $format === 'csv' ? 'text/csv; charset=utf-8' : 'application/json',
                'Content-Disposition' => "attachment; filename=\"results.{$format}\"",
            ],
        );
    }
}
