<?php

declare(strict_types=1);

namespace App\Http\Controllers\Session;

use App\Record\Health;
use Illuminate\Http\JsonResponse;

/** For whoever watches the server: 200 while it can be worked with, else 503 with what is wrong. */
final class ShowHealth
{
    public function __invoke(): JsonResponse
    {
        $found = Health::look();

        return new JsonResponse($found, array_unique(array_values($found)) === ['ok'] ? 200 : 503);
    }
}
