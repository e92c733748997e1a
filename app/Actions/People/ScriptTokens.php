<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\ScriptToken;
use App\Models\User;
use Laravel\Sanctum\NewAccessToken;

/** Tokens by which scripts ask the documented interface in a person's name: what they may, and until when. */
final class ScriptTokens
{
    public function __construct(private readonly NoteEvent $note) {}

    public function make(User $user, string $name, bool $writes, int $days): NewAccessToken
    {
        $may = $writes ? [ScriptToken::READS, ScriptToken::WRITES] : [ScriptToken::READS];
        ($this->note)($user, 'token', "made: {$name}".($writes ? ', writes' : ', reads'));

        return $user->createToken($name, $may, now()->addDays($days));
    }

    /** @return bool whether there was one of theirs to end */
    public function end(User $user, int $id): bool
    {
        $token = $user->tokens()->find($id);
        if ($token !== null) {
            ($this->note)($user, 'token', "ended: {$token->name}");
            $token->delete();
        }

        return $token !== null;
    }
}
