<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\CalendarAddresses;
use App\Actions\People\NoteEvent;
use App\Http\Resources\FollowUp\CalendarAddressResource;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Opens an address that calendars subscribe to; it is shown this once. */
final class OpenAddress
{
    public function __invoke(Request $request, CalendarAddresses $addresses, NoteEvent $note): JsonResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:80']], ['name.required' => 'Say whose calendar it is for.']);
        /** @var User $author */
        $author = $request->user();
        [$made, $token] = $addresses->open($author, $request->string('name')->toString());

        $note($author, 'shared', 'a calendar, '.$made->name);

        return new JsonResponse(
            [...(new CalendarAddressResource($made))->toArray($request), 'address' => "/calendar/{$token}.ics"],
            201,
        );
    }
}
