<?php

declare(strict_types=1);

namespace App\Http\Controllers\Practice;

use App\Http\Resources\Practice\FieldResource;
use App\Models\PracticeField;
use App\Models\User;
use Illuminate\Http\Request;

/** Shows one’s name in the class, or hides it. */
final class NameGround
{
    public function __invoke(Request $request, int $ground): FieldResource
    {
        /** @var User $user */
        $user = $request->user();
        $field = PracticeField::ofPersonNamed($user, $ground);
        $request->validate(['named' => ['required', 'boolean']]);
        $field->update(['named' => $request->boolean('named')]);

        return new FieldResource($field);
    }
}
