<?php

declare(strict_types=1);

namespace App\Actions\Decide;

use App\Actions\Evidence\GatherEvidence;
use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use App\Models\User;

/** Signs the verdict that the evidence gives. A signed verdict is never changed, only followed by a new one. */
final class Sign
{
    /** What a verdict on old pairs says before anything else. */
    private const FROM_RECORDS = 'From records, how they were read not known: ';

    public function __construct(private readonly GatherEvidence $gather) {}

    public function __invoke(
        TestMethod $test,
        User $signer,
        string $claim,
        string $hash,
        ?int $follows,
        string $scope,
        string $note,
        ?TestMethod $reference = null,
        bool $records = false,
    ): SignedVerdict {
        return AllOrNothing::of(function () use (
            $test,
            $signer,
            $claim,
            $hash,
            $follows,
            $scope,
            $note,
            $reference,
            $records,
        ): SignedVerdict {
            $untested = $this->gather->untested($test);
            if ($untested !== null) {
                throw Conflict::because('not_judged', test: $test->name, why: $untested);
            }
            $evidence = $records ? $this->gather->ofRecords($test, $reference) : ($this->gather)($test, $reference);
            if ($evidence->reference->workplace !== 'lab') {
                throw Conflict::because('not_against_a_lab', method: $evidence->reference->name);
            }
            if ($evidence->hash()->value !== $hash) {
                throw Conflict::because('evidence_moved');
            }
            $standing = SignedVerdict::standing()
                ->where('method_id', $test->id)
                ->where('reference_id', $evidence->reference->id)
                ->where('claim', $claim)
                ->first();
            if ($standing?->id !== $follows) {
                throw Conflict::because('verdict_signed');
            }

            $coverage = $evidence->coverage($claim);

            return SignedVerdict::query()->create([
                'method_id' => $test->id,
                'reference_id' => $evidence->reference->id,
                'policy_id' => $evidence->policy->id,
                'signed_by' => $signer->id,
                'follows_id' => $standing?->id,
                'claim' => $claim,
                'verdict' => $evidence->assessment()->{$claim}->verdict->value,
                'scope' => [
                    'text' => ($records ? self::FROM_RECORDS : '').$scope,
                    'lot' => $test->lot,
                    'lots' => $coverage->coveredLots(),
                    'seasons' => $coverage->coveredSeasons(),
                    ...$records ? ['records' => true] : [],
                    ...$evidence->ranges(),
                ],
                'evidence' => [
                    'pairs' => count($evidence->counted()),
                    'left_out' => count($evidence->leftOut()),
                    'claim' => $evidence->assessment()->{$claim}->toArray(),
                    'with_all' => $evidence->withAll()->{$claim}->verdict->value,
                ],
                'evidence_hash' => $hash,
                'note' => $note,
                'season' => $evidence->season(),
                'snapshot' => $evidence->kept(),
            ]);
        });
    }
}
