<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Actions\Practice\EnterGround;
use App\Database\Patience;
use App\Models\KnownSignIn;
use App\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Whose sign-in was ended, or whose account is closed, is nobody any more; where one was seen last is kept to five minutes. */
final class KnowsSignIn
{
    public const KEY = 'sign_in';

    private const MINUTES = 5;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = User::signedIn();
        $id = self::idOf($request);
        if ($user === null || ($id === null && $user->closed_at === null)) {
            return $next($request);
        }
        $known = $id !== null && $user->closed_at === null && self::homeStands($request) ? KnownSignIn::standing($id, $user) : null;
        if ($known === null) {
            Auth::logout();
            $request->session()->invalidate();

            throw new AuthenticationException('This sign-in was ended.');
        }
        if ($known->seen_at->diffInMinutes(now()) >= self::MINUTES) {
            Patience::short(static fn (): bool => $known->update(['seen_at' => now()]));
        }

        return $next($request);
    }

    /** Whoever came onto practice ground is there no longer than the sign-in that they came by stands. */
    private static function homeStands(Request $request): bool
    {
        $home = $request->session()->get(EnterGround::HOME);

        return ! is_array($home) || KnownSignIn::stands($home['sign_in'] ?? 0, $home['user'] ?? 0);
    }

    /** The sign-in that a request comes by; null for one by a token, or in a test. */
    public static function idOf(Request $request): ?int
    {
        $id = $request->bearerToken() === null && $request->hasSession() ? $request->session()->get(self::KEY) : null;

        return is_int($id) ? $id : null;
    }
}
