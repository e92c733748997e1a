<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\AccountEvent;
use App\Models\User;
use Illuminate\Http\Request;

/** Notes what was done with accounts, and what left the team, for who administers it. */
final class NoteEvent
{
    public function __construct(private readonly Request $request) {}

    /** @param string $kind one of AccountEvent::KINDS */
    public function __invoke(User $user, string $kind, string $about = ''): void
    {
        AccountEvent::query()->insert([
            'team_id' => $user->team_id,
            'user_id' => $user->id,
            'kind' => $kind,
            'about' => mb_substr($about, 0, 200),
            'place' => (string) $this->request->ip(),
            'at' => now(),
        ]);
    }
}
