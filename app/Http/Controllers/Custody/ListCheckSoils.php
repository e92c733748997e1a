<?php

declare(strict_types=1);

namespace App\Http\Controllers\Custody;

use App\Http\Resources\Custody\CheckSoilResource;
use App\Models\CheckSoil;
use Illuminate\Http\JsonResponse;

final class ListCheckSoils
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(CheckSoilResource::collection(CheckSoil::byName()));
    }
}
