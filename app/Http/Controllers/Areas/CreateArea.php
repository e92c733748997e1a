<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Actions\Areas\WriteArea;
use App\Http\Requests\Areas\AreaRequest;
use App\Http\Resources\Areas\AreaResource;
use App\Models\Site;
use Illuminate\Http\JsonResponse;

final class CreateArea
{
    public function __invoke(AreaRequest $request, Site $site, WriteArea $write): JsonResponse
    {
        return (new AreaResource($write->new($site, $request->fieldsGiven())))->response()->setStatusCode(201);
    }
}
