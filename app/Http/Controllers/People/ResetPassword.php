<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\KeepPeople;
use App\Http\Requests\People\OwnPasswordRequest;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

/** Sets a password anew, for whoever holds the address that was made for it. */
final class ResetPassword
{
    public function __invoke(Request $request, KeepPeople $people): Response
    {
        $request->validate([
            'email' => ['required', 'string', 'max:200'],
            'token' => ['required', 'string', 'max:100'],
            'new_password' => OwnPasswordRequest::GOOD,
        ], OwnPasswordRequest::WORDS);
        $isSet = $people->reset(
            $request->string('email')->toString(),
            $request->string('token')->toString(),
            $request->string('new_password')->toString(),
        );

        return $isSet
            ? new Response(status: 204)
            : throw ValidationException::withMessages(['token' => 'This address was used or has ended. Ask for another.']);
    }
}
