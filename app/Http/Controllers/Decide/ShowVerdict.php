<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Decide\CheckVerdict;
use App\Actions\Readings\NoteGlimpses;
use App\Actions\Verdicts\VerdictStatus;
use App\Http\Resources\Decide\VerdictResource;
use App\Models\SignedVerdict;
use App\Record\OwnNumbers;
use HonestCore\Agreement\KeptPair;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** One verdict with the pairs it rests on and all that came before and after it: for a file or an auditor. */
final class ShowVerdict
{
    public function __invoke(
        Request $request,
        SignedVerdict $verdict,
        VerdictStatus $status,
        CheckVerdict $check,
        NoteGlimpses $note,
    ): JsonResponse {
        $checked = $check($verdict);
        $policy = $verdict->policy;
        $own = OwnNumbers::ofThisTeam();
        $note->ofSamples(array_map(static fn (KeptPair $pair): int => $pair->sampleId + $own, $verdict->snapshot ?? []));

        return new JsonResponse([
            ...(new VerdictResource($status->shown($verdict)))->toArray($request),
            'snapshot' => array_map(
                static fn (KeptPair $pair): array => ['sample_id' => $pair->sampleId + $own] + $pair->toRow(),
                $verdict->snapshot ?? [],
            ),
            'check' => [
                'pairs_hold' => $checked->pairsHold,
                'row_holds' => $checked->rowHolds,
                'head' => $checked->head->short(),
                'moved' => $checked->moved,
            ],
            'policy' => [
                'version' => $policy->version,
                'set_at' => $policy->created_at->toIso8601ZuluString(),
                'reason' => $policy->reason,
                'required' => $policy->terms->required,
                'confidence' => $policy->terms->confidence,
                'allowable' => $policy->terms->allowable,
                'change' => $policy->terms->change,
                'looking' => $policy->terms->looking->value,
                'blind' => $policy->terms->blind,
                'together' => $policy->terms->together,
                'records' => $policy->terms->records,
                'pairs_then' => $policy->pairs_then,
            ],
            'history' => $verdict->chain()
                ->map(
                    static fn (SignedVerdict $one): array => [
                        'id' => $one->id,
                        'verdict' => $one->verdict,
                        'signed_by' => $one->signer->name,
                        'signed_at' => $one->created_at->toIso8601ZuluString(),
                        'pairs' => $one->evidence['pairs'] ?? 0,
                    ],
                )
                ->all(),
        ]);
    }
}
