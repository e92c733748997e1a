<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\SignIns;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Ends a sign-in of one's own, on whatever device. */
final class EndSignIn
{
    public function __invoke(Request $request, int $id, SignIns $signIns): Response
    {
        /** @var User $user */
        $user = $request->user();

        $signIns->end($user, $id) || abort(404);

        return new Response(status: 204);
    }
}
