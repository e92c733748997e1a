<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Exceptions\Conflict;
use App\Models\PracticeField;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Nothing of a practice ground is given an address that outsiders could open. */
final class PracticeStays
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        return PracticeField::here() === null ? $next($request) : throw Conflict::because('practice_stays');
    }
}
