<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Labs\LabService;
use App\Http\Resources\Labs\LabResource;
use App\Models\Lab;
use Illuminate\Http\JsonResponse;

final class ListLabs
{
    public function __invoke(LabService $service): JsonResponse
    {
        return new JsonResponse([
            'labs' => LabResource::collection(Lab::query()->orderBy('name')->get()),
            'service' => ['there' => $service->isThere(), 'simulated' => $service->isSimulated()],
        ]);
    }
}
