<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Exceptions\Conflict;
use App\Models\ProgramShare;
use App\Models\SignedProgram;
use App\Models\User;
use App\Sharing\SecretAddress;

/** Opens an address at which a grower reads one signed program, until it ends or is withdrawn. */
final class ShareProgram
{
    /** @return array{ProgramShare, string} the address and its token, which is shown this once and not kept */
    public function open(SignedProgram $program, User $author, int $days): array
    {
        if ($program->follower !== null) {
            throw Conflict::because('share_superseded');
        }
        $token = SecretAddress::token();

        return [
            ProgramShare::record([
                'program_id' => $program->id,
                'created_by' => $author->id,
                'token_hash' => SecretAddress::hash($token),
                'ends_at' => now()->addDays($days),
            ])->refresh()->load('author'),
            $token,
        ];
    }

    public function withdraw(ProgramShare $share): ProgramShare
    {
        if (! $share->isOpen()) {
            throw Conflict::because('share_closed');
        }
        $share->update(['withdrawn_at' => now()]);

        return $share->load('author');
    }
}
