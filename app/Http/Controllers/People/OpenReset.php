<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\KeepPeople;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** An address at which a person sets a password anew; it is shown this once. */
final class OpenReset
{
    public function __invoke(Request $request, User $person, KeepPeople $people): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse(['address' => $people->resetAddress($user, $person)], 201);
    }
}
