<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\ScriptTokens;
use App\Http\Requests\People\OwnPasswordRequest;
use App\Http\Resources\People\TokenResource;
use Illuminate\Http\JsonResponse;

/** A token for a script; it is shown this once. */
final class MakeToken
{
    public function __invoke(OwnPasswordRequest $request, ScriptTokens $tokens): JsonResponse
    {
        $request->validate([
            'name' => ['required', 'string', 'min:2', 'max:80'],
            'writes' => ['required', 'boolean'],
            'days' => ['required', 'integer', 'between:1,730'],
        ]);
        $made = $tokens->make(
            $request->person(),
            $request->string('name')->toString(),
            $request->boolean('writes'),
            $request->integer('days'),
        );

        return new JsonResponse([
            ...(new TokenResource($made->accessToken))->toArray($request),
            'token' => $made->plainTextToken,
        ], 201);
    }
}
