<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Http\Requests\Areas\SiteRequest;
use App\Http\Resources\Areas\SiteResource;
use App\Models\Site;
use Illuminate\Http\JsonResponse;

final class CreateSite
{
    public function __invoke(SiteRequest $request): JsonResponse
    {
        return (new SiteResource(Site::record($request->fields())))->response()->setStatusCode(201);
    }
}
