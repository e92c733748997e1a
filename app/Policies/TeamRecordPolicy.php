<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;
use Illuminate\Database\Eloquent\Model;

/** Records of a team are seen and changed by its people, whatever their role. */
class TeamRecordPolicy
{
    final public function view(User $user, Model $record): bool
    {
        return $record->getAttribute('team_id') === $user->team_id;
    }

    public function create(User $user): bool
    {
        return true;
    }

    public function update(User $user, Model $record): bool
    {
        return $this->view($user, $record);
    }

    public function delete(User $user, Model $record): bool
    {
        return $this->view($user, $record);
    }
}
