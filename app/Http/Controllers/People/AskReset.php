<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\KeepPeople;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Sends an address for a new password by mail where one is set up; whether the account exists is not told. */
final class AskReset
{
    public function __invoke(Request $request, KeepPeople $people): Response
    {
        $request->validate(['email' => ['required', 'string', 'email', 'max:200']]);
        $people->sendReset($request->string('email')->toString());

        return new Response(status: 204);
    }
}
