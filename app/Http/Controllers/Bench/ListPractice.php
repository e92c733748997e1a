<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Http\Resources\Bench\PracticeResource;
use App\Models\PracticeRound;
use Illuminate\Http\JsonResponse;

final class ListPractice
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(
            PracticeResource::collection(PracticeRound::newest(100)),
        );
    }
}
