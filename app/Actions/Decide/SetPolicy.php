<?php

declare(strict_types=1);

namespace App\Actions\Decide;

use App\Database\AllOrNothing;
use App\Database\Values;
use App\Models\JudgingPolicy;
use App\Models\Reading;
use App\Models\User;
use HonestCore\Agreement\PolicyTerms;

/** Writes the next version of a policy. Earlier versions stay, and old verdicts keep theirs. */
final class SetPolicy
{
    public function __invoke(string $analyte, PolicyTerms $terms, string $reason, User $author): JudgingPolicy
    {
        return AllOrNothing::of(fn (): JudgingPolicy => $this->write($analyte, $terms, $reason, $author));
    }

    private function write(string $analyte, PolicyTerms $terms, string $reason, User $author): JudgingPolicy
    {
        $policy = new JudgingPolicy([
            'created_by' => $author->id,
            'analyte' => $analyte,
            'terms' => $terms,
            'reason' => $reason,
            'pairs_then' => self::pairs($analyte),
            'version' => 1 + Values::whole(JudgingPolicy::query()->where('analyte', $analyte)->max('version')),
        ]);
        $policy->policy();
        foreach (array_keys($policy->terms->crops) as $use) {
            $policy->limitsFor($use);
        }
        $policy->save();

        return $policy->load('author');
    }

    /** Composites that a lab and a test of the bench have both read of it already. */
    private static function pairs(string $analyte): int
    {
        $read = static fn (string $workplace) => Reading::query()
            ->whereHas('method', static fn ($method) => $method->where('analyte', $analyte)->where('workplace', $workplace))
            ->distinct()
            ->pluck('sample_id')
            ->all();

        return count(array_intersect(Values::wholes($read('lab')), Values::wholes($read('bench'))));
    }
}
