<?php

declare(strict_types=1);

namespace App\Http\Controllers\Session;

use App\Http\Requests\Session\SignInRequest;
use App\Http\Resources\Session\MeResource;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

final class SignIn
{
    public function __invoke(SignInRequest $request): MeResource
    {
        if (! Auth::attempt($request->credentials())) {
            throw ValidationException::withMessages(['email' => 'No account has this address and password.']);
        }
        $request->session()->regenerate();
        /** @var User $user */
        $user = Auth::user();

        return new MeResource($user->shown());
    }
}
