<?php

declare(strict_types=1);

namespace App\Http\Resources\Decide;

use App\Actions\Decide\VerdictStatus;
use App\Models\SignedVerdict;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin SignedVerdict */
final class VerdictResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'method_id' => $this->method_id,
            'method' => $this->method->name,
            'reference' => $this->reference->name,
            'claim' => $this->claim,
            'verdict' => $this->verdict,
            'policy_version' => $this->policy->version,
            'scope' => $this->scope,
            'evidence' => $this->evidence,
            'note' => $this->note,
            'signed_by' => $this->signer->name,
            'signed_at' => $this->created_at->toIso8601ZuluString(),
            'follows_id' => $this->follows_id,
            'followed_by' => $this->follower?->id,
            'analyte' => $this->method->analyte,
            'season' => $this->season,
            'hash' => $this->evidence_hash,
            'ended' => app(VerdictStatus::class)->ended($this->resource),
        ];
    }
}
