<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\AnswersOfPrograms;
use App\Actions\FollowUp\SeriesOfArea;
use App\Http\Resources\FollowUp\SeriesResource;
use App\Models\Area;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;

/** One analyte of an area over the years, and what came of its programs. */
final class ShowSeries
{
    public function __invoke(Request $request, Area $area, SeriesOfArea $series, AnswersOfPrograms $answers): SeriesResource
    {
        $request->validate(['analyte' => ['sometimes', 'nullable', 'string', 'max:20']]);
        $analyte = $request->string('analyte')->toString();

        return new SeriesResource($series->of($area, $analyte === '' ? null : $analyte), $answers->of(new Collection([$area])));
    }
}
