<?php

declare(strict_types=1);

namespace App\Actions\Teams;

use App\Actions\People\InvitePeople;
use App\Actions\People\NoteEvent;
use App\Archive\ImportTeam;
use App\Models\Invitation;
use App\Models\User;
use App\Sharing\SecretAddress;
use Illuminate\Validation\ValidationException;

/** Takes an archive in as a team of its own, and invites whoever brought it to administer that team. */
final class TakeInTeam
{
    public function __construct(private readonly ImportTeam $import, private readonly NoteEvent $note) {}

    /** @throws ValidationException where somebody signs in with that address already */
    public function check(string $email): void
    {
        if (User::byAddress($email) !== null) {
            throw ValidationException::withMessages(['email' => 'Somebody signs in with this address here; a team needs one of its own.']);
        }
    }

    /**
     * @param string|null $name that the team gets here; its own where that is null
     * @param \Closure(int, int, string): void $tell
     * @return array{team: string, address: string, without: list<string>}
     */
    public function __invoke(string $path, ?string $name, string $email, User $by, \Closure $tell): array
    {
        $taken = ($this->import)($path, $name, $tell);
        $token = SecretAddress::token();
        Invitation::query()->insert([
            'team_id' => $taken->team->id,
            'created_by' => User::query()->where('team_id', $taken->team->id)->min('id'),
            'email' => $email,
            'role' => User::REVIEWER,
            'administers' => true,
            'token_hash' => SecretAddress::hash($token),
            'ends_at' => now()->addDays(InvitePeople::DAYS),
            'created_at' => now(),
            'updated_at' => now(),
        ]);
        ($this->note)($by, 'team', "took in {$taken->team->name}");

        return ['team' => $taken->team->name, 'address' => "/invitation/{$token}", 'without' => $taken->withoutSignIn];
    }
}
