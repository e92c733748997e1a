<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Samples\ReserveCodes;
use App\Models\Plan;
use Illuminate\Http\JsonResponse;

final class KeepCodes
{
    public function __invoke(Plan $plan, ReserveCodes $reserve): JsonResponse
    {
        return new JsonResponse(
            $reserve($plan, (int) substr($plan->today(), 0, 4)),
        );
    }
}
