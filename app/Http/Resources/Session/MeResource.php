<?php

declare(strict_types=1);

namespace App\Http\Resources\Session;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin User */
final class MeResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'name' => $this->name,
            'email' => $this->email,
            'role' => $this->role,
            'may_sign' => $this->maySign(),
            'may_write' => $this->mayWrite(),
            'may_administer' => $this->mayAdminister(),
            'of_demo' => $this->isOfDemo(),
            'team' => $this->team->name,
        ];
    }
}
