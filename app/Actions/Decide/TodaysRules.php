<?php

declare(strict_types=1);

namespace App\Actions\Decide;

use App\Database\Page;
use App\Models\SignedVerdict;

/**
 * What the rules of today say of every verdict that was signed, by the pairs it rested on and the policy it was given under.
 * A verdict keeps what it was signed as.
 */
final class TodaysRules
{
    /** Those of one page of the register; each is judged anew. */
    public const PER_PAGE = 25;

    /** @return list<array{verdict_id: int, was: string, would: string|null}> none for verdicts whose pairs were not kept */
    public function __invoke(int $page): array
    {
        $rows = [];
        $all = SignedVerdict::query()->with(['method', 'policy'])->orderByDesc('id');
        foreach (Page::of($all, $page, self::PER_PAGE)->rows as $verdict) {
            $rows[] = [
                'verdict_id' => $verdict->id,
                'was' => $verdict->verdict,
                'would' => $verdict->judgedBy($verdict->policy),
            ];
        }

        return $rows;
    }
}
