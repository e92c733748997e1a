<?php

declare(strict_types=1);

namespace App\Http\Controllers\Evidence;

use App\Actions\Evidence\Evidence;
use App\Actions\Evidence\GatherEvidence;
use App\Models\TestMethod;
use App\Models\Verdict;
use Illuminate\Http\JsonResponse;

/** Every test that has a reference to be judged against, in one line each. */
final class ListEvidence
{
    public function __invoke(GatherEvidence $gather): JsonResponse
    {
        $signed = Verdict::standing()->get()->groupBy('method_id');
        $tests = TestMethod::query()->where('portion', 'bench')->orderBy('id')->get();

        return new JsonResponse($tests->map(static function (TestMethod $test) use ($gather, $signed): array {
            $untested = $gather->untested($test);
            if ($untested !== null) {
                $nothing = ['computed' => 'untested', 'signed' => null, 'verdict_id' => null, 'moved' => false];

                return [
                    'method_id' => $test->id, 'name' => $test->name, 'analyte' => $test->analyte, 'reference' => null, 'pairs' => 0, 'left_out' => 0,
                    'claims' => ['sort' => $nothing, 'rate' => $nothing, 'track' => $nothing], 'untested' => $untested,
                ];
            }
            $evidence = $gather($test);

            return [
                'method_id' => $test->id,
                'name' => $test->name,
                'analyte' => $test->analyte,
                'reference' => $evidence->reference->name,
                'pairs' => count($evidence->counted()),
                'left_out' => count($evidence->leftOut()),
                'claims' => self::claims($evidence, $signed->get($test->id) ?? collect()),
                'untested' => null,
            ];
        }));
    }

    /**
     * @param \Illuminate\Support\Collection<int, Verdict> $signed
     * @return array<string, array{computed: string, signed: string|null, verdict_id: int|null, moved: bool}>
     */
    private static function claims(Evidence $evidence, \Illuminate\Support\Collection $signed): array
    {
        $claims = [];
        $hash = $evidence->hash();
        foreach (['sort', 'rate', 'track'] as $claim) {
            $verdict = $signed->firstWhere('claim', $claim);
            $claims[$claim] = [
                'computed' => $evidence->assessment()->{$claim}->verdict->value,
                'signed' => $verdict?->verdict,
                'verdict_id' => $verdict?->id,
                'moved' => $verdict !== null && $verdict->evidence_hash !== $hash,
            ];
        }

        return $claims;
    }
}
