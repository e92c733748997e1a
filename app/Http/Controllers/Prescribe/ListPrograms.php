<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\ProgramOfArea;
use App\Actions\Prescribe\ProgramsOfSite;
use App\Models\Site;
use Illuminate\Http\JsonResponse;

/** Every area of a site with where its program stands. */
final class ListPrograms
{
    public function __invoke(Site $site, ProgramsOfSite $programs): JsonResponse
    {
        return new JsonResponse(
            array_map(
                static fn (ProgramOfArea $one): array => [
                    'area_id' => $one->area->id,
                    'area' => $one->area->name,
                    'state' => $one->signed !== null ? 'signed' : ($one->isDrafted ? 'drafted' : 'none'),
                    'program_id' => $one->signed?->id,
                    'season' => $one->signed->season ?? $one->composed?->season(),
                    'in_short' => $one->inShort(),
                ],
                $programs($site),
            ),
        );
    }
}
