<?php

declare(strict_types=1);

namespace App\Actions\Decide;

use App\Models\JudgingPolicy;
use App\Models\SignedVerdict;
use HonestCore\Agreement\PolicyTerms;

/** What a policy would have made of every verdict that was signed on its analyte, by the pairs that each rested on. */
final class PreviewPolicy
{
    /**
     * @return list<array{verdict_id: int, method: string, claim: string, signed_at: string, was: string,
     *     would: string|null}>
     */
    public function __invoke(string $analyte, PolicyTerms $terms): array
    {
        $policy = new JudgingPolicy(['analyte' => $analyte, 'terms' => $terms]);
        $rows = [];
        foreach (
            SignedVerdict::query()
                ->whereHas('method', static fn ($method) => $method->where('analyte', $analyte))
                ->with('method')
                ->orderByDesc('id')
                ->limit(200)
                ->get() as $verdict
        ) {
            $rows[] = [
                'verdict_id' => $verdict->id,
                'method' => $verdict->method->name,
                'claim' => $verdict->claim,
                'signed_at' => $verdict->created_at->toIso8601ZuluString(),
                'was' => $verdict->verdict,
                'would' => $verdict->judgedBy($policy),
            ];
        }

        return $rows;
    }
}
