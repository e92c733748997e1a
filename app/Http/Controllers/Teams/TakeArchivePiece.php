<?php

declare(strict_types=1);

namespace App\Http\Controllers\Teams;

use App\Archive\ArchiveDesk;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

/** A piece of an archive that is brought in; one that is cut off on its way is sent again. */
final class TakeArchivePiece
{
    private const MOST_KB = 8_192;

    public function __invoke(Request $request, string $name, ArchiveDesk $desk): JsonResponse
    {
        $request->validate([
            'offset' => ['required', 'integer', 'between:0,2000000000'],
            'piece' => ['required', 'file', 'max:'.self::MOST_KB],
        ]);
        /** @var User $user */
        $user = $request->user();
        /** @var UploadedFile $piece */
        $piece = $request->file('piece');

        return new JsonResponse(['size' => $desk->add($user->team_id, $name, $request->integer('offset'), $piece)]);
    }
}
