<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Models\JudgingPolicy;
use HonestCore\Agreement\LuckOfClaims;
use HonestCore\Agreement\Verdict;

/** How many claims of all tests are judged now, and how many would stand by luck alone. */
final class JudgedClaims
{
    private const JUDGED = [Verdict::Stands, Verdict::Open, Verdict::Falls];

    public function __construct(private readonly Summaries $summaries) {}

    public function __invoke(): LuckOfClaims
    {
        ['pairs' => $pairs] = $this->summaries->tests();
        $found = $this->summaries->of($pairs);
        $confidence = JudgingPolicy::register()->groupBy('analyte')->map(
            static fn ($versions): float => $versions->first()->terms->confidence ?? 0.95,
        );
        $confidences = [];
        foreach ($pairs as [$test]) {
            foreach ($found[$test->id]['verdicts'] as $verdict) {
                if (in_array(Verdict::from($verdict), self::JUDGED, true)) {
                    $confidences[] = (float) ($confidence[$test->analyte] ?? 0.95);
                }
            }
        }

        return LuckOfClaims::of($confidences);
    }
}
