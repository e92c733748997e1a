<?php

declare(strict_types=1);

namespace App\Http\Controllers\Custody;

use App\Actions\Custody\SplitOff;
use App\Http\Requests\Custody\SplitRequest;
use App\Http\Resources\Custody\PortionLine;
use App\Models\CheckSoil;
use App\Models\Site;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class SlipInCheckSoil
{
    public function __invoke(SplitRequest $request, Site $site, SplitOff $split): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $soil = CheckSoil::named($request->integer('check_soil_id'));

        return new JsonResponse(
            PortionLine::of(
                $split->checkSoil($author, $site, $soil, $request->at(), $request->volumeMl(), $request->tests()),
            ),
            201,
        );
    }
}
