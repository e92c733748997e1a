<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\Practise;
use App\Models\PracticeRound;
use Illuminate\Http\JsonResponse;

final class ListPractice
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(
            PracticeRound::newest(100)->map(Practise::shape(...)),
        );
    }
}
