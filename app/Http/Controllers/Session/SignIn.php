<?php

declare(strict_types=1);

namespace App\Http\Controllers\Session;

use App\Actions\People\GuardWithCode;
use App\Actions\People\SignIns;
use App\Http\Requests\Session\SignInRequest;
use App\Http\Resources\Session\MeResource;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

final class SignIn
{
    public function __invoke(SignInRequest $request, SignIns $signIns, GuardWithCode $guard): MeResource
    {
        $user = User::byAddress($request->credentials()['email']);
        $given = ['email' => $user->email ?? $request->credentials()['email']] + $request->credentials();
        if (! Auth::guard('web')->validate($given) || $user === null || $user->closed_at !== null) {
            $signIns->refused($user, $user?->closed_at === null ? 'wrong password' : 'the account is closed');

            throw ValidationException::withMessages(['email' => 'No account has this address and password.']);
        }
        $code = $request->string('code')->toString();
        if ($guard->isOn($user) && ($code === '' || ! $guard->takes($user, $code))) {
            $code === '' || $signIns->refused($user, 'wrong code');

            throw ValidationException::withMessages(['code' => $code === ''
                ? 'Write the six digits that your authenticator shows.'
                : 'This is not the code of now, or it was used already. Each is good once.']);
        }
        $signIns->begin($request, $user);

        return new MeResource($user->shown());
    }
}
