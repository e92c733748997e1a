<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\LogSpread;
use App\Http\Requests\FollowUp\SpreadNotesRequest;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class TakeSpreadNotes
{
    public function __invoke(SpreadNotesRequest $request, LogSpread $log): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();

        return new JsonResponse($log($author, $request->string('device')->toString(), $request->entries()));
    }
}
