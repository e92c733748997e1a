<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Http\Requests\Plans\CalendarRequest;
use App\Models\Plan;
use HonestCore\Sampling\ICalendarFile;
use Illuminate\Http\Response;

final class DownloadCalendar
{
    public function __invoke(CalendarRequest $request, Plan $plan): Response
    {
        $calendar = $request->calendar($plan);
        $text = ICalendarFile::of(
            "{$plan->area->name}, {$plan->area->site->name}",
            "plan-{$plan->id}",
            $calendar->steps,
            now()->toDateTimeImmutable(),
        );

        return new Response($text, 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"plan-{$plan->id}.ics\"",
        ]);
    }
}
