<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Decide\TodaysRules;
use Illuminate\Http\JsonResponse;

/** What the rules of today say of verdicts that were signed before. */
final class ListTodaysRules
{
    public function __invoke(TodaysRules $rules): JsonResponse
    {
        return new JsonResponse($rules());
    }
}
