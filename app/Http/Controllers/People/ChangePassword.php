<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\KeepPeople;
use App\Http\Middleware\KnowsSignIn;
use App\Http\Requests\People\OwnPasswordRequest;
use Illuminate\Http\Response;

/** Sets another password of one's own; every other device has to sign in again. */
final class ChangePassword
{
    public function __invoke(OwnPasswordRequest $request, KeepPeople $people): Response
    {
        $request->validate(['new_password' => OwnPasswordRequest::GOOD], OwnPasswordRequest::WORDS);
        $people->password($request->person(), $request->string('new_password')->toString(), KnowsSignIn::idOf($request));

        return new Response(status: 204);
    }
}
