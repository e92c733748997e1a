<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\ScriptToken;
use App\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** A script signs in with a token, for one request, without a session; one that may only read is refused a write. */
final class SignsInByToken
{
    /** What belongs to a person at a page: a script neither signs nor keeps accounts. */
    private const OF_PERSONS = [
        'api/account*', 'api/people*', 'api/invitations*', 'api/account-events*', 'api/session', 'api/start', 'api/team',
    ];

    /** What is signed is signed by a person at a page, whatever the script knows. */
    private const SIGNS = ['api/evidence/*/verdicts', 'api/areas/*/program/sign', 'api/local-factors*', 'api/policies'];

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->bearerToken() === null) {
            return $next($request);
        }
        $token = ScriptToken::findToken($request->bearerToken());
        $user = $token instanceof ScriptToken ? $token->tokenable : null;
        if (! $token instanceof ScriptToken || ! $user instanceof User || $user->closed_at !== null || ! $token->isGood()) {
            throw new AuthenticationException('No token like this is good here.');
        }
        $isRefusedWrite = ! $token->can(ScriptToken::WRITES) || $request->is(...self::SIGNS);
        if ($request->is(...self::OF_PERSONS) || (! $request->isMethodSafe() && $isRefusedWrite)) {
            return new JsonResponse(['message' => 'This token may not do this.', 'code' => 'not_of_this_token'], 403);
        }
        Auth::setUser($user);
        $token->forceFill(['last_used_at' => now()])->save();

        return $next($request);
    }
}
