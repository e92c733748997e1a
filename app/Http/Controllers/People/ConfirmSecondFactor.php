<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\GuardWithCode;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Confirms a second factor with a code that it shows. */
final class ConfirmSecondFactor
{
    public function __invoke(Request $request, GuardWithCode $guard): JsonResponse
    {
        $request->validate(['code' => ['required', 'string', 'max:20']]);
        /** @var User $user */
        $user = $request->user();
        $codes = $guard->confirm($user, $request->string('code')->toString());

        return $codes === null
            ? throw ValidationException::withMessages(['code' => 'This is not the code of now. Is the clock of the phone right?'])
            : new JsonResponse(['recovery' => $codes]);
    }
}
