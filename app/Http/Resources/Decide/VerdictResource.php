<?php

declare(strict_types=1);

namespace App\Http\Resources\Decide;

use App\Actions\Verdicts\ShownVerdict;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property ShownVerdict $resource */
final class VerdictResource extends JsonResource
{
    public function __construct(ShownVerdict $verdict)
    {
        parent::__construct($verdict);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $verdict = $this->resource->verdict;

        return [
            'id' => $verdict->id,
            'method_id' => $verdict->method_id,
            'method' => $verdict->method->name,
            'reference' => $verdict->reference->name,
            'claim' => $verdict->claim,
            'verdict' => $verdict->verdict,
            'policy_version' => $verdict->policy->version,
            'scope' => ['lots' => null, 'seasons' => null, 'records' => false, ...$verdict->scope],
            'evidence' => $verdict->evidence,
            'note' => $verdict->note,
            'signed_by' => $verdict->signer->name,
            'signed_at' => $verdict->created_at->toIso8601ZuluString(),
            'follows_id' => $verdict->follows_id,
            'followed_by' => $verdict->follower?->id,
            'analyte' => $verdict->method->analyte,
            'season' => $verdict->season,
            'hash' => $verdict->evidence_hash,
            'ended' => $this->resource->ended,
            'silent_on' => $this->resource->silentOn,
        ];
    }
}
