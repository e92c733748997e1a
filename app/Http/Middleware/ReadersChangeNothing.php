<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A reader sees all and changes nothing: what only computes, practice, and their own account stay open to them. */
final class ReadersChangeNothing
{
    private const COMPUTES = [
        'api/session', 'api/account*', 'api/boundaries/*', 'api/areas/*/plans/draft', 'api/areas/*/comparison',
        'api/consignments/draft', 'api/colour-matches', 'api/vision-plates', 'api/reports/read', 'api/evidence/*/records/preview',
        'api/evidence/*/strategies', 'api/areas/*/program/try', 'api/reckoner/*',
        'api/practice/*',
    ];

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = User::signedIn();

        return $user === null || $user->mayWrite() || $request->isMethodSafe() || $request->is(...self::COMPUTES)
            ? $next($request)
            : new JsonResponse(['message' => 'A reader sees all and changes nothing.', 'code' => 'reader'], 403);
    }
}
