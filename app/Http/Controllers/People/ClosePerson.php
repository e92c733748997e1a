<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\KeepPeople;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Closes the account of a person; what they wrote stays, with their name. */
final class ClosePerson
{
    public function __invoke(Request $request, User $person, KeepPeople $people): Response
    {
        /** @var User $user */
        $user = $request->user();
        $people->close($user, $person);

        return new Response(status: 204);
    }
}
