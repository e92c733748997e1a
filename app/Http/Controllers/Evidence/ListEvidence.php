<?php

declare(strict_types=1);

namespace App\Http\Controllers\Evidence;

use App\Actions\Evidence\GatherEvidence;
use App\Actions\Evidence\Summaries;
use App\Actions\Verdicts\VerdictStatus;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Collection;

/**
 * Every test that has a reference to be judged against, in one line each: tests of the bench, and labs that stand
 * beside another.
 */
final class ListEvidence
{
    public function __invoke(GatherEvidence $gather, Summaries $summaries, VerdictStatus $status): JsonResponse
    {
        ['pairs' => $pairs, 'untested' => $untested] = $summaries->tests();
        $found = $summaries->shown($pairs);
        $signed = SignedVerdict::standing()
            ->with(['method', 'follower:id,follows_id'])
            ->get([
                'id',
                'team_id',
                'method_id',
                'reference_id',
                'claim',
                'verdict',
                'scope',
                'season',
                'evidence_hash',
            ])
            ->groupBy('method_id');
        $lines = [];
        foreach ($pairs as [$test, $reference]) {
            $lines[] = [
                'method_id' => $test->id,
                'name' => $test->name,
                'analyte' => $test->analyte,
                'workplace' => $test->workplace,
                'reference' => $reference->name,
                'reference_id' => $reference->id,
                'pairs' => $found[$test->id]->summary['pairs'],
                'left_out' => $found[$test->id]->summary['left_out'],
                'computing' => ! $found[$test->id]->isOfNow,
                'claims' => self::claims($found[$test->id]->summary, $signed->get($test->id) ?? collect(), $reference, $status),
                'untested' => null,
            ];
        }
        $nothing = ['computed' => 'untested', 'signed' => null, 'verdict_id' => null, 'moved' => false, 'ended' => [], 'silent_on' => ''];
        foreach ($untested as $test) {
            $why =
                $gather->untested($test) ??
                'No lab method here measures the same, so that it has no partner: it stays untested.';
            $lines[] = [
                'method_id' => $test->id,
                'name' => $test->name,
                'analyte' => $test->analyte,
                'workplace' => $test->workplace,
                'reference' => null,
                'reference_id' => null,
                'pairs' => 0,
                'left_out' => 0,
                'computing' => false,
                'claims' => ['sort' => $nothing, 'rate' => $nothing, 'track' => $nothing],
                'untested' => $why,
            ];
        }
        usort(
            $lines,
            static fn (array $a, array $b): int => [$a['workplace'], $a['method_id']] <=> [$b['workplace'], $b['method_id']],
        );

        return new JsonResponse($lines);
    }

    /**
     * @param array{pairs: int, left_out: int, hash: string, older: string, records: string, verdicts: array{sort: string,
     *     rate: string, track: string}} $summary
     * @param Collection<int, SignedVerdict> $signed
     * @return array<string, array{computed: string, signed: string|null, verdict_id: int|null, moved: bool,
     *     ended: list<string>, silent_on: string}>
     */
    private static function claims(
        array $summary,
        Collection $signed,
        TestMethod $reference,
        VerdictStatus $status,
    ): array {
        $claims = [];
        foreach (['sort', 'rate', 'track'] as $claim) {
            $verdict = $signed->first(
                static fn (SignedVerdict $one): bool => $one->claim === $claim && $one->reference_id === $reference->id,
            );
            $claims[$claim] = [
                'computed' => $summary['verdicts'][$claim],
                'signed' => $verdict?->verdict,
                'verdict_id' => $verdict?->id,
                'moved' => $verdict !== null && Summaries::moved($verdict, $summary),
                'ended' => $verdict === null ? [] : $status->ended($verdict),
                'silent_on' => $verdict === null ? '' : $status->silentOn($verdict),
            ];
        }

        return $claims;
    }
}
