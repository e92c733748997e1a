<?php

declare(strict_types=1);

namespace App\Http\Controllers\Today;

use App\Actions\Today\Find;
use App\Http\Resources\Today\FoundResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class Search
{
    private const FEWEST_LETTERS = 2;

    private const MOST_LETTERS = 100;

    public function __invoke(Request $request, Find $find): JsonResponse
    {
        $request->validate(['q' => ['present', 'nullable', 'string', 'max:'.self::MOST_LETTERS]]);
        $words = trim($request->string('q')->toString());

        return new JsonResponse(
            mb_strlen($words) < self::FEWEST_LETTERS ? [] : FoundResource::collection($find($words)),
        );
    }
}
