<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\Schools;
use App\Http\Requests\Plans\SchoolRequest;
use App\Http\Resources\Plans\SchoolResource;
use Illuminate\Http\JsonResponse;

final class ChangeSchool
{
    public function __invoke(SchoolRequest $request, string $school, Schools $schools): JsonResponse
    {
        abort_unless(isset($schools->all()[$school]), 404);
        /** @var array<string, mixed> $row */
        $row = $request->validated();

        return new JsonResponse((new SchoolResource($schools->change($school, $row, $request->input('state')), true))->toArray($request));
    }
}
