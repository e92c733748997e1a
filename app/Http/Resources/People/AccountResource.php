<?php

declare(strict_types=1);

namespace App\Http\Resources\People;

use App\Http\Middleware\KnowsSignIn;
use App\Models\KnownSignIn;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property User $resource */
final class AccountResource extends JsonResource
{
    /** @param iterable<KnownSignIn> $signIns */
    public function __construct(User $user, private readonly bool $isGuarded, private readonly iterable $signIns)
    {
        parent::__construct($user);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $user = $this->resource;
        $own = KnowsSignIn::idOf($request);
        $signIns = [];
        foreach ($this->signIns as $one) {
            $signIns[] = [
                'id' => $one->id,
                'agent' => $one->agent,
                'place' => $one->place,
                'since' => $one->created_at->toIso8601ZuluString(),
                'seen_at' => $one->seen_at->toIso8601ZuluString(),
                'is_this' => $one->id === $own,
            ];
        }

        return [
            'name' => $user->name,
            'email' => $user->email,
            'second_factor' => $this->isGuarded,
            'of_demo' => $user->isOfDemo(),
            'sign_ins' => $signIns,
            'tokens' => TokenResource::collection($user->tokens),
        ];
    }
}
