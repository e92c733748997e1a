<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\People\NoteEvent;
use App\Actions\Prescribe\ShareProgram;
use App\Http\Resources\Prescribe\ShareResource;
use App\Models\SignedProgram;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Opens an address for the grower; it is shown this once. */
final class OpenShare
{
    public function __invoke(Request $request, SignedProgram $program, ShareProgram $share, NoteEvent $note): JsonResponse
    {
        $request->validate(['days' => ['required', 'integer', 'between:1,730']]);
        /** @var User $author */
        $author = $request->user();
        [$made, $token] = $share->open($program->shown(), $author, $request->integer('days'));

        $note($author, 'shared', "a program of {$program->area->name}");

        return new JsonResponse(
            [...(new ShareResource($made))->toArray($request), 'address' => "/grower/{$token}"],
            201,
        );
    }
}
