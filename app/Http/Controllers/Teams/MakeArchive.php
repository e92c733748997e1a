<?php

declare(strict_types=1);

namespace App\Http\Controllers\Teams;

use App\Archive\ArchiveDesk;
use App\Archive\ExportTeam;
use App\Http\TellsLines;
use App\Models\User;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Writes everything the team has as one archive, and says how far it is; the last line names it for the download. */
final class MakeArchive
{
    public function __invoke(Request $request, ExportTeam $export, ArchiveDesk $desk): StreamedResponse
    {
        /** @var User $user */
        $user = $request->user();

        return TellsLines::of(static function (\Closure $tell) use ($user, $export, $desk): void {
            $name = $desk->newName();
            $path = $desk->path($user->team_id, $name);
            $manifest = $export(
                $user->team,
                $path,
                static fn (int $done, int $of, string $what) => $tell(['done' => $done, 'of' => $of, 'what' => $what]),
            );
            $tell(['ready' => $name, 'bytes' => filesize($path), 'head' => $manifest->head->short(), 'fault' => $manifest->fault]);
        });
    }
}
