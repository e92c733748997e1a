<?php

declare(strict_types=1);

namespace App\Actions\Decide;

use App\Actions\Evidence\Evidence;
use App\Actions\Evidence\Summaries;
use App\Exceptions\Conflict;
use App\Models\SignedVerdict;
use App\Record\OwnNumbers;
use App\Record\Seal;
use HonestCore\Agreement\EvidenceHash;
use HonestCore\Record\ChainHead;
use HonestCore\Record\ChainLink;

/** Computes anew what a signed verdict is known by, each time it is shown. */
final class CheckVerdict
{
    public function __construct(private readonly Summaries $summaries) {}

    public function __invoke(SignedVerdict $verdict): VerdictCheck
    {
        $head = Seal::head($verdict->team_id);

        return new VerdictCheck(
            self::pairsHold($verdict),
            Seal::fits('verdicts', $verdict->id),
            new ChainHead($head->position ?? 0, $head->hash ?? ChainLink::NOTHING),
            $this->moved($verdict),
        );
    }

    /** Whether the evidence has moved since it was signed; where the two are no longer compared, it has. */
    public function moved(SignedVerdict $verdict): bool
    {
        try {
            $found = $this->summaries->of([[$verdict->method, $verdict->reference]]);
        } catch (Conflict) {
            return true;
        }

        return Summaries::moved($verdict, $found[$verdict->method_id]);
    }

    private static function pairsHold(SignedVerdict $verdict): ?bool
    {
        if ($verdict->snapshot === null) {
            return null;
        }
        $policy = $verdict->policy_id - OwnNumbers::ofThisTeam();

        return EvidenceHash::of(
            $policy,
            $verdict->scope['lot'],
            $verdict->snapshot,
            $verdict->isOfRecords() ? Evidence::RECORDS : '',
        )->is($verdict->evidence_hash);
    }
}
