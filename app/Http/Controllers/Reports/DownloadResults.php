<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Readings\NoteGlimpses;
use App\Actions\Reports\ExportResults;
use App\Http\Requests\CsvChoice;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class DownloadResults
{
    public function __invoke(Request $request, string $format, ExportResults $export, NoteGlimpses $note): StreamedResponse
    {
        $form = CsvChoice::of($request);
        $note->ofTeam();
        $write = static function (string $text): void {
            echo $text;
        };

        return new StreamedResponse(
            static fn () => $format === 'csv' ? $export->csv($write, $form) : $export->json($write),
            200,
            [
                'Content-Type' => $format === 'csv' ? 'text/csv; charset=utf-8' : 'application/json',
                'Content-Disposition' => "attachment; filename=\"results.{$format}\"",
            ],
        );
    }
}
