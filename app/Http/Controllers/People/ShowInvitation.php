<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Models\Invitation;
use App\Sharing\SecretAddress;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What somebody is invited to, for whoever holds the address. */
final class ShowInvitation
{
    public function __invoke(Request $request, string $token): JsonResponse
    {
        $invitation = SecretAddress::isToken($token) ? Invitation::byToken($token) : null;

        return $invitation === null
            ? new JsonResponse(
                ['message' => 'This invitation was taken, withdrawn or has ended. Ask for another.', 'code' => 'not_found'],
                SecretAddress::missed('invitation', $request->ip()),
            )
            : new JsonResponse([
                'team' => $invitation->team->name,
                'by' => $invitation->author->name,
                'email' => $invitation->email,
                'role' => $invitation->role,
                'administers' => $invitation->administers,
                'ends_at' => $invitation->ends_at->toIso8601ZuluString(),
            ]);
    }
}
