<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Models\JudgingPolicy;
use HonestCore\Agreement\CostOfTogether;
use HonestCore\Agreement\LuckOfClaims;
use HonestCore\Agreement\Verdict;

/** How many claims of all tests are judged now, and how many would stand by luck alone. */
final class JudgedClaims
{
    private const JUDGED = [Verdict::Stands, Verdict::Open, Verdict::Falls];

    public function __construct(private readonly Summaries $summaries) {}

    /** @return array{luck: LuckOfClaims, together: array<string, CostOfTogether>} the cost of one error rate by analyte */
    public function __invoke(): array
    {
        ['pairs' => $pairs] = $this->summaries->tests();
        $found = $this->summaries->shown($pairs);
        $policies = JudgingPolicy::register()->groupBy('analyte')->map->first();
        [$confidences, $claims] = [[], []];
        foreach ($pairs as [$test]) {
            foreach ($found[$test->id]->summary['verdicts'] as $verdict) {
                if (in_array(Verdict::from($verdict), self::JUDGED, true)) {
                    $confidences[] = $policies[$test->analyte]->terms->confidence ?? 0.95;
                    $claims[$test->analyte] = 1 + ($claims[$test->analyte] ?? 0);
                }
            }
        }

        $costs = [];
        foreach ($claims as $analyte => $count) {
            $policy = $policies[$analyte] ?? null;
            if ($policy !== null) {
                $costs[$analyte] = CostOfTogether::of($count, $policy->policy());
            }
        }

        return ['luck' => LuckOfClaims::of($confidences), 'together' => $costs];
    }
}
