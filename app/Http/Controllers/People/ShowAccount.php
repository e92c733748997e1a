<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\GuardWithCode;
use App\Actions\People\SignIns;
use App\Http\Resources\People\AccountResource;
use App\Models\User;
use Illuminate\Http\Request;

/** What a person may see of their own account: sign-ins, tokens, whether a second factor is asked for. */
final class ShowAccount
{
    public function __invoke(Request $request, GuardWithCode $guard, SignIns $signIns): AccountResource
    {
        /** @var User $user */
        $user = $request->user();

        return new AccountResource($user->withTokens(), $guard->isOn($user), $signIns->standing($user));
    }
}
