<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\InvitePeople;
use App\Models\Invitation;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Withdraws an invitation. */
final class WithdrawInvitation
{
    public function __invoke(Request $request, Invitation $invitation, InvitePeople $people): Response
    {
        /** @var User $user */
        $user = $request->user();
        $people->withdraw($user, $invitation);

        return new Response(status: 204);
    }
}
