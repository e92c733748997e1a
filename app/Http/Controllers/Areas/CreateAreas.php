<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Actions\Areas\WriteArea;
use App\Http\Requests\Areas\AreasRequest;
use App\Http\Resources\Areas\AreaResource;
use App\Models\Area;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;

final class CreateAreas
{
    public function __invoke(AreasRequest $request, Site $site, WriteArea $write): JsonResponse
    {
        $areas = DB::transaction(
            static fn (): array => array_map(
                static fn (array $fields): Area => $write->new($site, $fields),
                $request->areas(),
            ),
        );

        return AreaResource::collection($areas)->response()->setStatusCode(201);
    }
}
