<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\TriedSchools;
use App\Http\Resources\FollowUp\LocalFactorResource;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Puts a local factor to use that the rule offers. */
final class UseFactor
{
    public function __invoke(Request $request, TriedSchools $tried): JsonResponse
    {
        $request->validate(
            [
                'school' => ['required', 'string', 'max:40'],
                'factor' => ['required', 'numeric'],
                'reason' => ['required', 'string', 'min:10', 'max:500'],
                'password' => ['bail', 'required', 'string', 'current_password'],
            ],
            ['reason.min' => 'Write why, in 10 letters or more: it stands beside the factor.'],
        );
        /** @var User $signer */
        $signer = $request->user();
        $made = $tried->use(
            $signer,
            $request->string('school')->toString(),
            $request->float('factor'),
            $request->string('reason')->toString(),
        );

        return (new LocalFactorResource($made))->response()->setStatusCode(201);
    }
}
