<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Actions\People\SignIns;
use App\Exceptions\Conflict;
use App\Http\Middleware\KnowsSignIn;
use App\Models\KnownSignIn;
use App\Models\PracticeField;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/** Goes onto a practice ground from one's own account, and back: the same sign-in, another team. */
final class EnterGround
{
    /** Where the session keeps whose account and which sign-in one came by. */
    public const HOME = 'practice_home';

    public function __construct(private readonly SignIns $signIns) {}

    public function enter(Request $request, User $home, PracticeField $field): User
    {
        $signIn = KnowsSignIn::idOf($request);
        if ($signIn === null) {
            throw Conflict::because('practice_by_page');
        }
        if ($request->session()->has(self::HOME)) {
            throw Conflict::because('practice_in_practice');
        }
        $field->user->update(['password' => $home->password]);
        $this->signIns->begin($request, $field->user);
        $request->session()->put(self::HOME, ['user' => $home->id, 'sign_in' => $signIn]);

        return $field->user;
    }

    public function leave(Request $request, User $twin): User
    {
        /** @var array{user: int, sign_in: int}|null $home */
        $home = $request->session()->pull(self::HOME);
        $field = PracticeField::here();
        if ($home === null || $field === null) {
            throw Conflict::because('practice_not_here');
        }
        $person = $field->loadMissing('home')->home;
        $own = KnowsSignIn::idOf($request);
        $own === null || KnownSignIn::standing($own, $twin)?->update(['ended_at' => now()]);
        if ($person->id !== $home['user'] || $person->closed_at !== null || KnownSignIn::standing($home['sign_in'], $person) === null) {
            $this->signIns->leave($request);

            throw Conflict::because('practice_home_gone');
        }
        Auth::login($person);
        $request->session()->regenerate();
        $request->session()->put(KnowsSignIn::KEY, $home['sign_in']);

        return $person;
    }
}
