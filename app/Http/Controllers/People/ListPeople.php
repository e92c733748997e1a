<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\InvitePeople;
use App\Http\Resources\People\InvitationResource;
use App\Http\Resources\People\PersonResource;
use App\Models\Invitation;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The people of the team and who is invited. */
final class ListPeople
{
    public function __invoke(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse([
            'people' => PersonResource::collection(User::ofTeam($user->team_id)),
            'invitations' => $user->mayAdminister() ? InvitationResource::collection(Invitation::open()) : [],
            'may_administer' => $user->mayAdminister(),
            'mail' => InvitePeople::hasMail(),
        ]);
    }
}
