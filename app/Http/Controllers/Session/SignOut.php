<?php

declare(strict_types=1);

namespace App\Http\Controllers\Session;

use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class SignOut
{
    public function __invoke(Request $request, StatefulGuard $guard): Response
    {
        $guard->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }
}
