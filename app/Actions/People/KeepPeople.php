<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\KnownSignIn;
use App\Models\User;
use Illuminate\Auth\Passwords\PasswordBroker;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use LogicException;

/** What becomes of the people of a team: roles, passwords, and accounts that are closed while what they wrote stays theirs. */
final class KeepPeople
{
    public function __construct(private readonly NoteEvent $note) {}

    /** @throws Conflict where nobody would be left to administer the team */
    public function change(User $by, User $person, string $role, bool $administers): User
    {
        self::refuseOfDemo($person);

        return AllOrNothing::of(function () use ($by, $person, $role, $administers): User {
            if (! $administers) {
                self::refuseTheLast($person);
            }
            $person->update(['role' => $role, 'administers' => $administers]);
            ($this->note)($by, 'role', "{$person->name}: {$role}".($administers ? ', administers the team' : ''));

            return $person;
        });
    }

    /**
     * Whoever is closed signs in no more, on any device or by any token. Their name stays on what they wrote.
     *
     * @throws Conflict where nobody would be left to administer the team
     */
    public function close(User $by, User $person): void
    {
        self::refuseOfDemo($person);
        AllOrNothing::of(function () use ($by, $person): void {
            self::refuseTheLast($person);
            $person->update(['closed_at' => now(), 'administers' => false, 'remember_token' => null]);
            KnownSignIn::endAllOf($person);
            $person->tokens()->delete();
            ($this->note)($by, 'closed', $person->name);
        });
    }

    /** Every other device has to sign in again. */
    public function password(User $user, string $password, ?int $signIn): void
    {
        AllOrNothing::of(function () use ($user, $password, $signIn): void {
            $user->update(['password' => $password, 'remember_token' => Str::random(60)]);
            KnownSignIn::endAllOf($user, $signIn);
            ($this->note)($user, 'password', 'changed');
        });
    }

    /** @return string an address at which the person sets a password, good for a day */
    public function resetAddress(User $by, User $person): string
    {
        self::refuseOfDemo($person);
        $token = self::broker()->createToken($person);
        ($this->note)($by, 'reset', "an address for {$person->name}");

        return "/reset/{$token}?email=".rawurlencode($person->email);
    }

    /** @return bool false where the address is wrong, was used or has ended */
    public function reset(string $email, string $token, string $password): bool
    {
        return self::broker()->reset(
            ['email' => $email, 'token' => $token, 'password' => $password],
            fn (User $user) => $this->password($user, $password, null),
        ) === Password::PASSWORD_RESET;
    }

    /** Sends such an address by mail, where one is set up; whether the account exists is not told. */
    public function sendReset(string $email): void
    {
        if (InvitePeople::hasMail()) {
            // Whether it went out tells nobody whether the account exists.
            rescue(static fn (): string => self::broker()->sendResetLink(['email' => $email]));
        }
    }

    private static function broker(): PasswordBroker
    {
        $broker = Password::broker();

        return $broker instanceof PasswordBroker
            ? $broker
            : throw new LogicException('Passwords are set anew by the broker of the framework.');
    }

    /** @throws Conflict where anybody may sign in as this person, whoever administers the demo included */
    private static function refuseOfDemo(User $person): void
    {
        if ($person->isOfDemo()) {
            throw Conflict::because('of_the_demo');
        }
    }

    private static function refuseTheLast(User $person): void
    {
        if ($person->administers && User::administratorsBeside($person) === 0) {
            throw Conflict::because('last_administrator');
        }
    }
}
