<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** A request that brings its own token is no forged one: no browser sends that unasked. It is signed in by nothing else. */
final class ForgeryCheck extends ValidateCsrfToken
{
    /** @param \Illuminate\Http\Request $request */
    protected function inExceptArray($request): bool
    {
        return $request->bearerToken() !== null || parent::inExceptArray($request);
    }
}
