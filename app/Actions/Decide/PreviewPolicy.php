<?php

declare(strict_types=1);

namespace App\Actions\Decide;

use App\Models\JudgingPolicy;
use App\Models\SignedVerdict;
use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Scale;

/** What a policy would have made of every verdict that was signed on its analyte, by the pairs that each rested on. */
final class PreviewPolicy
{
    /**
     * @param array<string, mixed> $terms
     * @return list<array{verdict_id: int, method: string, claim: string, signed_at: string, was: string,
     *     would: string|null}>
     */
    public function __invoke(string $analyte, array $terms): array
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
                'would' => $verdict->snapshot === null ? null : self::judge($verdict, $policy),
            ];
        }

        return $rows;
    }

    private static function judge(SignedVerdict $verdict, JudgingPolicy $policy): string
    {
        $bands = null;
        [$samples, $all, $leftOut] = [[], [], 0];
        $judged = $policy->policy();
        foreach ($verdict->snapshot ?? [] as $row) {
            if (
                $row['left_out'] ||
                ($judged->scale === Scale::Ratio &&
                    ($row['reference'] <= 0 || ($row['readings'] !== [] && min($row['readings']) <= 0)))
            ) {
                $leftOut++;

                continue;
            }
            $own = array_map(
                static fn (array $band): Band => new Band(
                    $band['name'],
                    (float) ($band['lower'] ?? -INF),
                    (float) ($band['upper'] ?? INF),
                ),
                $row['bands'],
            );
            foreach ($own as $band) {
                $all[$band->name] = $band;
            }
            $sample =
                $own === []
                    ? PairedSample::numeric(
                        $row['code'],
                        (float) $row['reference'],
                        array_map(floatval(...), $row['readings'] === [] ? [NAN] : $row['readings']),
                    )
                    : PairedSample::ordinal($row['code'], (float) $row['reference'], $own);
            $samples[] = $sample->withLimits($policy->limitsFor($row['use']));
        }
        if ($all !== []) {
            $bands = $verdict->method->scale() ?? Bands::of(array_values($all));
        }

        return Assessment::of($samples, $leftOut, $judged, $bands)->{$verdict->claim}->verdict->value;
    }
}
