<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\SeriesFile;
use App\Actions\FollowUp\SeriesOfArea;
use App\Http\Requests\CsvChoice;
use App\Models\Area;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

final class DownloadSeries
{
    public function __invoke(Request $request, Area $area, SeriesOfArea $series): Response
    {
        $request->validate(['analyte' => ['sometimes', 'nullable', 'string', 'max:20']]);
        $analyte = $request->string('analyte')->toString();
        $found = $series->of($area, $analyte === '' ? null : $analyte);

        return new Response(SeriesFile::of($found, CsvChoice::of($request)), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="'.Str::slug($area->name)."-{$found->analyte->code}.csv\"",
        ]);
    }
}
