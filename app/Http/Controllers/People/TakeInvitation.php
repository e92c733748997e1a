<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\InvitePeople;
use App\Actions\People\SignIns;
use App\Http\Requests\People\OwnPasswordRequest;
use App\Http\Resources\Session\MeResource;
use App\Sharing\SecretAddress;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Joins the team that somebody is invited to, and signs in. */
final class TakeInvitation
{
    public function __invoke(Request $request, string $token, InvitePeople $people, SignIns $signIns): JsonResponse
    {
        $request->validate(
            ['name' => ['required', 'string', 'min:2', 'max:120'], 'new_password' => OwnPasswordRequest::GOOD],
            OwnPasswordRequest::WORDS,
        );
        $user = SecretAddress::isToken($token)
            ? $people->join($token, $request->string('name')->trim()->toString(), $request->string('new_password')->toString())
            : null;
        if ($user === null) {
            return new JsonResponse(
                ['message' => 'This invitation was taken, withdrawn or has ended. Ask for another.', 'code' => 'not_found'],
                SecretAddress::missed('invitation', $request->ip()),
            );
        }
        $signIns->begin($request, $user);

        return (new MeResource($user->shown()))->toResponse($request)->setStatusCode(201);
    }
}
