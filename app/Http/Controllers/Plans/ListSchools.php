<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\Schools;
use App\Http\Resources\Plans\SchoolResource;
use HonestCore\Sampling\School;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ListSchools
{
    public function __invoke(Request $request, Schools $schools): JsonResponse
    {
        $own = $schools->own();

        return new JsonResponse(
            array_map(
                static fn (School $school): array => (new SchoolResource($school, isset($own[$school->code])))->toArray(
                    $request,
                ),
                array_values($schools->all()),
            ),
        );
    }
}
