<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use HonestCore\Program\WantedCrop;
use HonestCore\Table\MetricYield;
use Illuminate\Http\JsonResponse;

/** The crops that programs are made for. */
final class ListCrops
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(
            array_map(
                static fn (WantedCrop $crop): array => [
                    'code' => $crop->code,
                    'name' => $crop->name,
                    'group' => $crop->groupName(),
                    'yield' => $crop->yield(),
                    'yield_t_per_ha' => MetricYield::each($crop->code),
                    'planted_on' => $crop->plantedOn(),
                ],
                WantedCrop::all(),
            ),
        );
    }
}
