<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\PhotoMatch;
use App\Http\Requests\Bench\ColourRequest;
use Illuminate\Http\JsonResponse;

final class MatchColour
{
    public function __invoke(ColourRequest $request): JsonResponse
    {
        return new JsonResponse(PhotoMatch::of($request->patches()));
    }
}
