<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Http\Middleware\KnowsSignIn;
use App\Models\KnownSignIn;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Auth;

/** Sign-ins of people, each known by itself so that it can be ended. */
final class SignIns
{
    public function __construct(private readonly NoteEvent $note) {}

    public function begin(Request $request, User $user): void
    {
        Auth::login($user);
        $request->session()->regenerate();
        $known = KnownSignIn::query()->create([
            'team_id' => $user->team_id,
            'user_id' => $user->id,
            'agent' => mb_substr((string) $request->userAgent(), 0, 250),
            'place' => (string) $request->ip(),
            'seen_at' => now(),
        ]);
        $request->session()->put(KnowsSignIn::KEY, $known->id);
        ($this->note)($user, 'signed_in');
    }

    /** Notes a sign-in that was refused, where the account is one of somebody. */
    public function refused(?User $user, string $why): void
    {
        $user === null || ($this->note)($user, 'refused', $why);
    }

    public function leave(Request $request): void
    {
        $user = User::signedIn();
        $id = KnowsSignIn::idOf($request);
        if ($user !== null) {
            $id === null || KnownSignIn::standing($id, $user)?->update(['ended_at' => now()]);
            ($this->note)($user, 'signed_out');
        }
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();
    }

    /** @return bool whether there was one to end */
    public function end(User $user, int $id): bool
    {
        $known = KnownSignIn::standing($id, $user);
        if ($known !== null) {
            $known->update(['ended_at' => now()]);
            ($this->note)($user, 'ended', $known->agent);
        }

        return $known !== null;
    }

    /** @return Collection<int, KnownSignIn> those that may still be in use */
    public function standing(User $user): Collection
    {
        return KnownSignIn::standingOf($user, Carbon::now()->subMinutes(config()->integer('session.lifetime')));
    }
}
