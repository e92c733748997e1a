<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Http\Requests\Labs\LabRequest;
use App\Http\Resources\Labs\LabResource;
use App\Models\Lab;
use Illuminate\Http\JsonResponse;

final class CreateLab
{
    public function __invoke(LabRequest $request): JsonResponse
    {
        return (new LabResource(Lab::record($request->fields())))->response()->setStatusCode(201);
    }
}
