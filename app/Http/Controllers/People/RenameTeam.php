<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\NoteEvent;
use App\Http\Resources\Session\MeResource;
use App\Models\User;
use Illuminate\Http\Request;

/** Gives the team another name. */
final class RenameTeam
{
    public function __invoke(Request $request, NoteEvent $note): MeResource
    {
        $request->validate(['name' => ['required', 'string', 'min:2', 'max:80']]);
        /** @var User $user */
        $user = $request->user();
        $note($user, 'team', "{$user->team->name} is now {$request->string('name')}");
        $user->team->update(['name' => $request->string('name')->trim()->toString()]);

        return new MeResource($user->shown());
    }
}
