<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Labs\LabInterface;
use App\Actions\Labs\LabSimulator;
use App\Http\Resources\Labs\LabResource;
use App\Models\Lab;
use Illuminate\Http\JsonResponse;

final class ListLabs
{
    public function __invoke(LabInterface $lab, LabSimulator $simulator): JsonResponse
    {
        return new JsonResponse([
            'labs' => LabResource::collection(Lab::byName()),
            'service' => ['there' => $lab->isThere(), 'simulated' => $simulator->isThere()],
        ]);
    }
}
