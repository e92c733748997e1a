<?php

declare(strict_types=1);

namespace App\Http\Controllers\Session;

use App\Models\User;
use Illuminate\Http\JsonResponse;

/** What the sign-in page may know: nothing, but for the accounts of a demo. */
final class Welcome
{
    public function __invoke(): JsonResponse
    {
        $demo = config('app.demo') === true;

        return new JsonResponse([
            'demo' => $demo,
            'accounts' => $demo
                ? User::ofDemo()
                    ->map(
                        static fn (User $user): array => [
                            'name' => $user->name,
                            'email' => $user->email,
                            'role' => $user->role,
                            'password' => 'soil-and-lime',
                        ],
                    )
                : [],
        ]);
    }
}
