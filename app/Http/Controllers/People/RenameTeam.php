<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\NoteEvent;
use App\Http\Resources\Session\MeResource;
use App\Models\Team;
use App\Models\User;
use Illuminate\Http\Request;

/** The name of the team, and what work and lime cost where it is. */
final class RenameTeam
{
    public function __invoke(Request $request, NoteEvent $note): MeResource
    {
        $request->validate([
            'name' => ['required', 'string', 'min:2', 'max:80'],
            'prices' => ['sometimes', 'array:'.implode(',', Team::PRICES)],
            'prices.*' => ['nullable', 'numeric', 'between:0,1000000'],
        ]);
        /** @var User $user */
        $user = $request->user();
        $name = $request->string('name')->trim()->toString();
        if ($name !== $user->team->name) {
            $note($user, 'team', "{$user->team->name} is now {$name}");
        }
        $user->team->update(['name' => $name] + ($request->has('prices') ? ['prices' => self::prices($request->array('prices'))] : []));

        return new MeResource($user->shown());
    }

    /**
     * @param array<mixed> $given
     * @return array<string, float>|null those that were said
     */
    private static function prices(array $given): ?array
    {
        $prices = [];
        foreach (Team::PRICES as $name) {
            if (is_numeric($given[$name] ?? null)) {
                $prices[$name] = (float) $given[$name];
            }
        }

        return $prices === [] ? null : $prices;
    }
}
