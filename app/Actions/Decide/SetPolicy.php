<?php

declare(strict_types=1);

namespace App\Actions\Decide;

use App\Models\JudgingPolicy;
use App\Models\User;

/** Writes the next version of a policy. Earlier versions stay, and old verdicts keep theirs. */
final class SetPolicy
{
    /** @param array<string, mixed> $terms */
    public function __invoke(string $analyte, array $terms, string $reason, User $author): JudgingPolicy
    {
        $policy = new JudgingPolicy([
            'created_by' => $author->id, 'analyte' => $analyte, 'terms' => $terms, 'reason' => $reason,
            'version' => 1 + (int) JudgingPolicy::query()->where('analyte', $analyte)->max('version'),
        ]);
        $policy->policy();
        foreach (array_keys($policy->terms['crops']) as $use) {
            $policy->limitsFor($use);
        }
        $policy->save();

        return $policy;
    }
}
