<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\FollowUp\NoteOnGround;
use App\Models\GroundEvent;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Takes an entry back: it stays on record, and counts no more. */
final class RemoveGroundEvent
{
    public function __invoke(Request $request, GroundEvent $event, NoteOnGround $note): Response
    {
        /** @var User $author */
        $author = $request->user();
        $note->takeBack($event, $author);

        return response()->noContent();
    }
}
