<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\RecordChange;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Says in a header which change a request has noted, so that the page can offer to take it back. */
final class TellsChange
{
    public const HEADER = 'X-Honest-Core-Change';

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        RecordChange::pickUp();
        $response = $next($request);
        $change = RecordChange::pickUp();
        if ($change !== null && $response->isSuccessful()) {
            $response->headers->set(self::HEADER, (string) $change);
        }

        return $response;
    }
}
