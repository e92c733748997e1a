<?php

declare(strict_types=1);

namespace App\Http\Controllers\Session;

use Illuminate\Http\JsonResponse;

/** An authenticated request that does nothing else: what every other route is measured against. */
final class Ping
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(['ok' => true]);
    }
}
