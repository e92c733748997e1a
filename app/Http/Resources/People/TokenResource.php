<?php

declare(strict_types=1);

namespace App\Http\Resources\People;

use App\Models\ScriptToken;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property ScriptToken $resource */
final class TokenResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $token = $this->resource;

        return [
            'id' => $token->id,
            'name' => $token->name,
            'writes' => $token->can(ScriptToken::WRITES),
            'used_at' => $token->last_used_at?->toIso8601ZuluString(),
            'ends_at' => $token->expires_at?->toIso8601ZuluString(),
        ];
    }
}
