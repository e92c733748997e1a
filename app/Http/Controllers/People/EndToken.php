<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\ScriptTokens;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Takes a token of one's own back. */
final class EndToken
{
    public function __invoke(Request $request, int $id, ScriptTokens $tokens): Response
    {
        /** @var User $user */
        $user = $request->user();

        $tokens->end($user, $id) || abort(404);

        return new Response(status: 204);
    }
}
