<?php

declare(strict_types=1);

namespace App\Actions\Decide;

use App\Models\SignedVerdict;

/**
 * What the rules of today say of every verdict that was signed, by the pairs it rested on and the policy it was given under.
 * A verdict keeps what it was signed as.
 */
final class TodaysRules
{
    /** The newest; each is judged anew. */
    private const MOST = 200;

    /** @return list<array{verdict_id: int, was: string, would: string|null}> none for verdicts whose pairs were not kept */
    public function __invoke(): array
    {
        $rows = [];
        foreach (SignedVerdict::query()->with(['method', 'policy'])->orderByDesc('id')->limit(self::MOST)->get() as $verdict) {
            $rows[] = [
                'verdict_id' => $verdict->id,
                'was' => $verdict->verdict,
                'would' => $verdict->judgedBy($verdict->policy),
            ];
        }

        return $rows;
    }
}
