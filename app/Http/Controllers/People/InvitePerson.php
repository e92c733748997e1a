<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\InvitePeople;
use App\Http\Requests\People\InvitationRequest;
use App\Http\Resources\People\InvitationResource;
use App\Models\User;
use Illuminate\Http\JsonResponse;

/** Invites somebody; the address is shown this once. */
final class InvitePerson
{
    public function __invoke(InvitationRequest $request, InvitePeople $people): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        [$made, $token] = $people->invite($user, $request->whom());

        return new JsonResponse(
            [...(new InvitationResource($made))->toArray($request), 'address' => "/invitation/{$token}"],
            201,
        );
    }
}
