<?php

declare(strict_types=1);

namespace App\Http\Controllers\Teams;

use App\Actions\Teams\TakeInTeam;
use App\Archive\ArchiveDesk;
use App\Backup\BadBackup;
use App\Http\TellsLines;
use App\Models\User;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Takes in an archive that was brought piece by piece, as a team of its own, and says how far it is. */
final class TakeArchive
{
    public function __invoke(Request $request, string $name, ArchiveDesk $desk, TakeInTeam $take): StreamedResponse
    {
        $request->validate(
            [
                'team' => ['present', 'nullable', 'string', 'min:2', 'max:80'],
                'email' => ['required', 'bail', 'string', 'email', 'max:200'],
            ],
            ['email.required' => 'An address at which you will sign in to that team; no account here has it yet.'],
        );
        /** @var User $user */
        $user = $request->user();
        $path = $desk->path($user->team_id, $name);
        abort_unless(is_file($path), 404);
        $team = $request->filled('team') ? $request->string('team')->trim()->toString() : null;
        $email = $request->string('email')->trim()->toString();
        $take->check($email);

        return TellsLines::of(static function (\Closure $tell) use ($path, $team, $email, $user, $take): void {
            try {
                $tell([...$take(
                    $path,
                    $team,
                    $email,
                    $user,
                    static fn (int $done, int $of, string $what) => $tell(['done' => $done, 'of' => $of, 'what' => $what]),
                )]);
            } catch (BadBackup $refused) {
                throw new BadBackup(str_replace($path, 'It', $refused->getMessage()), previous: $refused);
            } finally {
                @unlink($path);
            }
        });
    }
}
