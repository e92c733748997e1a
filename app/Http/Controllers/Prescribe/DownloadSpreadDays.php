<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\SpreadCalendar;
use App\Models\SignedProgram;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The days of a signed program as a calendar file. */
final class DownloadSpreadDays
{
    public function __invoke(SignedProgram $program, SpreadCalendar $calendar): Response
    {
        return new Response($calendar->file($program->shown()), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="'.Str::slug($program->area->name)."-spread-{$program->season}.ics\"",
        ]);
    }
}
