<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\GuardWithCode;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Takes the second factor of somebody away whose phone is lost. */
final class EndFactorOf
{
    public function __invoke(Request $request, User $person, GuardWithCode $guard): Response
    {
        /** @var User $user */
        $user = $request->user();
        $guard->end($person, $user);

        return new Response(status: 204);
    }
}
