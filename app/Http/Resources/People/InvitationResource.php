<?php

declare(strict_types=1);

namespace App\Http\Resources\People;

use App\Models\Invitation;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Invitation $resource */
final class InvitationResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $invitation = $this->resource;

        return [
            'id' => $invitation->id,
            'email' => $invitation->email,
            'role' => $invitation->role,
            'administers' => $invitation->administers,
            'by' => $invitation->author->name,
            'ends_at' => $invitation->ends_at->toIso8601ZuluString(),
        ];
    }
}
