<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Database\AllOrNothing;
use App\Models\Invitation;
use App\Models\User;
use App\Sharing\SecretAddress;
use Illuminate\Support\Facades\Mail;

/** Invites somebody into a team by an address that is good for a week, and takes in whoever comes by it. */
final class InvitePeople
{
    public const DAYS = 7;

    public function __construct(private readonly NoteEvent $note) {}

    /**
     * @param array{email: string, role: string, administers: bool} $whom
     * @return array{Invitation, string} with the token, which is not kept
     */
    public function invite(User $by, array $whom): array
    {
        $token = SecretAddress::token();
        $made = Invitation::record([
            ...$whom,
            'created_by' => $by->id,
            'token_hash' => SecretAddress::hash($token),
            'ends_at' => now()->addDays(self::DAYS),
        ]);
        ($this->note)($by, 'invited', "{$whom['email']}, {$whom['role']}");
        if (self::hasMail()) {
            $address = url("/invitation/{$token}");
            // The address is shown all the same where the mail does not go out.
            rescue(static fn () => Mail::raw(
                "{$by->name} invites you into the team {$by->team->name} of Honest Core.\n\n{$address}\n\nThe address is good for a week.",
                static fn ($message) => $message->to($whom['email'])->subject("An invitation into {$by->team->name}"),
            ));
        }

        return [$made->load('author'), $token];
    }

    /** Is a mailer set up that takes mail anywhere? */
    public static function hasMail(): bool
    {
        return ! in_array(config('mail.default'), [null, 'log', 'array'], true);
    }

    public function withdraw(User $by, Invitation $invitation): void
    {
        $invitation->update(['withdrawn_at' => now()]);
        ($this->note)($by, 'invited', "withdrawn: {$invitation->email}");
    }

    /** @return User|null null where the invitation was taken, withdrawn or ended meanwhile */
    public function join(string $token, string $name, string $password): ?User
    {
        return AllOrNothing::of(function () use ($token, $name, $password): ?User {
            $invitation = Invitation::byToken($token);
            if ($invitation === null || User::byAddress($invitation->email) !== null) {
                return null;
            }
            $user = User::query()->create([
                'team_id' => $invitation->team_id,
                'name' => $name,
                'email' => $invitation->email,
                'password' => $password,
                'role' => $invitation->role,
                'administers' => $invitation->administers,
            ]);
            $invitation->update(['taken_at' => now()]);
            ($this->note)($user, 'joined', "{$user->name}, {$user->role}");

            return $user;
        });
    }
}
