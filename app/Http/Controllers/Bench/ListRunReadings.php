<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\RunReadings;
use App\Models\Run;
use Illuminate\Http\JsonResponse;

final class ListRunReadings
{
    public function __invoke(Run $run): JsonResponse
    {
        return new JsonResponse(RunReadings::of($run));
    }
}
