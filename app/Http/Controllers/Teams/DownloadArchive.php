<?php

declare(strict_types=1);

namespace App\Http\Controllers\Teams;

use App\Archive\ArchiveDesk;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The archive that was just written; it is there once. */
final class DownloadArchive
{
    public function __invoke(Request $request, string $name, ArchiveDesk $desk): BinaryFileResponse
    {
        /** @var User $user */
        $user = $request->user();
        $path = $desk->path($user->team_id, $name);
        abort_unless(is_file($path), 404);
        $called = Str::slug($user->team->name).'-'.now()->format('Y-m-d').'.zip';

        return (new BinaryFileResponse($path, 200, ['Content-Type' => 'application/zip']))
            ->setContentDisposition('attachment', $called)
            ->deleteFileAfterSend();
    }
}
