<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;
use Illuminate\Database\Eloquent\Model;

/** What is signed is written by a reviewer, once, and never changed. */
final class SignedRecordPolicy extends TeamRecordPolicy
{
    public function create(User $user): bool
    {
        return $user->maySign();
    }

    public function update(User $user, Model $record): bool
    {
        return false;
    }

    public function delete(User $user, Model $record): bool
    {
        return false;
    }
}
