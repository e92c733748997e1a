<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Samples\StoreNotes;
use App\Http\Requests\Samples\NotesRequest;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class TakeNotes
{
    public function __invoke(NotesRequest $request, StoreNotes $store): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();

        return new JsonResponse(
            $store($author, $request->string('device')->toString(), $request->phoneNow(), $request->entries()),
        );
    }
}
