<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\KeepPeople;
use App\Http\Resources\People\PersonResource;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Gives a person another role. */
final class ChangePerson
{
    public function __invoke(Request $request, User $person, KeepPeople $people): PersonResource
    {
        $request->validate(['role' => ['required', Rule::in(User::ROLES)], 'administers' => ['required', 'boolean']]);
        /** @var User $user */
        $user = $request->user();

        return new PersonResource(
            $people->change($user, $person, $request->string('role')->toString(), $request->boolean('administers')),
        );
    }
}
