<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Models\JudgingPolicy;
use App\Models\TestMethod;
use App\Record\OwnNumbers;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\ActionMatrix;
use HonestCore\Agreement\ActionTally;
use HonestCore\Agreement\AgreementByDistance;
use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\Clusters;
use HonestCore\Agreement\Correction;
use HonestCore\Agreement\Coverage;
use HonestCore\Agreement\Differences;
use HonestCore\Agreement\EvidenceHash;
use HonestCore\Agreement\FutureSoils;
use HonestCore\Agreement\KeptPair;
use HonestCore\Agreement\KnownErrors;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\SortClaim;

/** All pairs of one test and its reference, and what they prove under a policy. */
final class Evidence
{
    /** What stands in the place of another reader where all pairs are from records. */
    public const RECORDS = 'records';

    private ?Assessment $assessment = null;

    private ?Assessment $withAll = null;

    /**
     * @param list<Pair> $pairs those that count and those left out, the newest sample first
     * @param list<array{code: string, sample_id: int, said: string}> $censored composites where the reference gave
     *                                                                          no number
     * @param int $now the newest season in which a composite was pulled; 0 where none was
     * @param (\Closure(): Family)|null $family where all claims of the analyte share one error rate
     * @param string $against the reader whose bands stand for the reference; empty where it is another method
     */
    public function __construct(
        public readonly TestMethod $test,
        public readonly TestMethod $reference,
        public readonly JudgingPolicy $policy,
        public readonly array $pairs,
        public readonly array $censored = [],
        public readonly string $against = '',
        private readonly int $now = 0,
        private readonly ?\Closure $family = null,
    ) {}

    public function assessment(): Assessment
    {
        return $this->assessment ??= $this->together($this->assess($this->counted(), count($this->leftOut())));
    }

    /** Judged for itself, at some confidence. */
    public function judged(float $confidence): Assessment
    {
        return $this->assess($this->counted(), count($this->leftOut()), $confidence);
    }

    private function together(Assessment $alone): Assessment
    {
        return $this->family === null ? $alone : ($this->family)()->hold($this->test->id, $alone);
    }

    /** The same with the readings whose protocol was broken put back. */
    public function withAll(): Assessment
    {
        return $this->withAll ??=
            $this->leftOut() === []
                ? $this->assessment()
                : $this->assess(
                    array_values(
                        array_filter(
                            $this->pairs,
                            static fn (Pair $pair): bool => ! in_array(GatherEvidence::NO_LOGARITHM, $pair->flags, true),
                        ),
                    ),
                    0,
                );
    }

    /** @return list<Pair> */
    public function counted(): array
    {
        return array_values(array_filter($this->pairs, static fn (Pair $pair): bool => $pair->counts()));
    }

    /** @return list<Pair> */
    public function leftOut(): array
    {
        return array_values(array_filter($this->pairs, static fn (Pair $pair): bool => ! $pair->counts()));
    }

    /** @return list<Pair> those that count or those left out, as they are shown: what is odd first */
    public function shown(bool $leftOut): array
    {
        $pairs = $leftOut ? $this->leftOut() : $this->counted();
        $keys = array_map(
            static fn (Pair $pair): array => [$pair->testClass() === $pair->referenceClass(), -abs($pair->difference() ?? INF)],
            $pairs,
        );
        array_multisort(array_column($keys, 0), array_column($keys, 1), array_keys($pairs), $pairs);

        return $pairs;
    }

    /** Pairs whose band a limit cuts, among those that count. */
    public function cut(): int
    {
        return count(array_filter($this->counted(), static fn (Pair $pair): bool => $pair->band()?->isCutBy($pair->limits) === true));
    }

    /** @return list<string> who read the pairs that count */
    public function readBy(): array
    {
        return array_values(array_unique(array_map(static fn (Pair $pair): string => $pair->reader(), $this->counted())));
    }

    /**
     * How the pairs of some group sort.
     *
     * @param list<Pair> $pairs
     */
    public function tallyOf(array $pairs): ActionTally
    {
        return ActionTally::of(
            array_map(static fn (Pair $pair): PairedSample => $pair->paired, $pairs),
            $this->policy->policy()->limits,
            $this->test->scale(),
        );
    }

    /** Whether they sort as all of them do. */
    public function sortOf(ActionTally $tally): SortClaim
    {
        return SortClaim::judge($tally, $this->policy->policy());
    }

    /** @return list<int> composites whose values it shows */
    public function samples(): array
    {
        return array_values(array_filter(
            array_map(static fn (Pair $pair): int => $pair->sample->id, $this->pairs),
            static fn (int $id): bool => $id > 0,
        ));
    }

    /** Pairs among those that count that come from records. */
    public function fromRecords(): int
    {
        return count(array_filter($this->counted(), static fn (Pair $pair): bool => $pair->isFromRecords()));
    }

    /** Sittings that the pairs were read in. */
    public function sessions(): int
    {
        return Clusters::of($this->paired())->count();
    }

    /** The lots and seasons that a verdict on a claim would speak for. */
    public function coverage(string $claim): Coverage
    {
        $policy = $this->policy->policy();
        $pairs = array_map(static fn (Pair $pair): array => $pair->covers($claim, $policy), array_reverse($this->counted()));

        return Coverage::of(array_merge(...$pairs), $this->test->lot, $this->now === 0 ? null : $this->now, $policy);
    }

    /** Year of the newest pair. */
    public function season(): ?int
    {
        $years = array_map(static fn (Pair $pair): int => $pair->sample->year, $this->pairs);

        return $years === [] ? null : max($years);
    }

    /**
     * @return array{test_from: float|null, test_to: float|null, reference_from: float|null, reference_to: float|null}
     */
    public function ranges(): array
    {
        $test = array_filter(
            array_map(static fn (Pair $pair): ?float => $pair->test(), $this->counted()),
            is_float(...),
        );
        $reference = array_map(static fn (Pair $pair): float => $pair->reference, $this->counted());

        return [
            'test_from' => $test === [] ? null : min($test),
            'test_to' => $test === [] ? null : max($test),
            'reference_from' => $reference === [] ? null : min($reference),
            'reference_to' => $reference === [] ? null : max($reference),
        ];
    }

    /** Limits of the differences; where the test gives bands, of their middles, for looking at alone. */
    public function difference(): ?Differences
    {
        return $this->assessment()->differences ?? Differences::ofMiddles(
            array_map(
                /** @return array{float, float|null} */
                static fn (Pair $pair): array => [$pair->reference, $pair->test()],
                $this->counted(),
            ),
            $this->policy->policy(),
            $this->referenceSd(),
        );
    }

    /** @return array{shown_from: float|null, shown_to: float|null} of the pairs that count, with their bands and limits */
    public function span(): array
    {
        $all = array_merge(...array_map(static fn (Pair $pair): array => $pair->ends(), $this->counted()));

        return ['shown_from' => $all === [] ? null : min($all), 'shown_to' => $all === [] ? null : max($all)];
    }

    /** Deming's line with the ratio of the errors, where both are known. */
    public function knownErrors(): ?KnownErrors
    {
        return KnownErrors::of(
            $this->paired(),
            $this->assessment()->track->repeatability->sd,
            $this->reference->uncertainty,
            $this->policy->policy()->scale,
        );
    }

    /** What bias and spread say of soils to come: it decides nothing. */
    public function model(): ?FutureSoils
    {
        $policy = $this->policy->policy();
        $scale = $this->test->scale();
        $numbers = $bands = [];
        foreach ($this->counted() as $pair) {
            $band = $pair->band();
            if ($band !== null) {
                $bands[] = [$pair->reference, $band, $pair->limits];
            } elseif ($scale === null) {
                $numbers[] = [$pair->reference, $pair->paired->test(), $pair->limits];
            }
        }

        return match (true) {
            $scale === null => FutureSoils::ofNumbers($numbers, $policy),
            $policy->scale === Scale::Ratio => null,
            default => FutureSoils::ofBands($bands, $policy, $scale),
        };
    }

    /** @return list<AgreementByDistance> how often it sends right, by how far the soil lies from a limit */
    public function byDistance(): array
    {
        return AgreementByDistance::of(
            array_map(
                /** @return array{float, bool, ActionLimits} */
                static fn (Pair $pair): array => [$pair->reference, $pair->testClass() === $pair->referenceClass(), $pair->limits],
                $this->counted(),
            ),
            $this->policy->policy(),
        );
    }

    /** @return list<Correction> what corrections would give; none is ever applied */
    public function corrections(): array
    {
        return $this->test->bands !== null ? [] : Correction::offered($this->paired(), $this->policy->policy());
    }

    /** @return list<list<int>> pairs by the action of the reference (rows) and of the test */
    public function matrix(): array
    {
        return ActionMatrix::of(
            array_map(
                /** @return array{int, int|null} */
                static fn (Pair $pair): array => [$pair->referenceClass(), $pair->testClass()],
                $this->counted(),
            ),
            count($this->policy->terms->actions),
            $this->assessment()->sort->tally->mute !== [],
        );
    }

    /** @return list<PairedSample> those that count */
    private function paired(): array
    {
        return array_map(static fn (Pair $pair): PairedSample => $pair->paired, $this->counted());
    }

    /** Names all that a verdict on it rests on. */
    public function hash(): EvidenceHash
    {
        return EvidenceHash::of($this->policy->id - OwnNumbers::ofThisTeam(), $this->test->lot, $this->kept(), $this->against);
    }

    /** @return list<KeptPair> as a verdict keeps them */
    public function kept(): array
    {
        return array_map(static fn (Pair $pair): KeptPair => $pair->kept(), $this->pairs);
    }

    /** @param list<Pair> $pairs */
    private function assess(array $pairs, int $leftOut, ?float $confidence = null): Assessment
    {
        $policy = $this->policy->policy();

        return Assessment::of(
            array_map(static fn (Pair $pair): PairedSample => $pair->paired, $pairs),
            $leftOut,
            $confidence === null ? $policy : $policy->atConfidence($confidence),
            $this->test->scale(),
            $this->referenceSd(),
        );
    }

    /**
     * Standard uncertainty of one result of the reference, where it is stated: what of the spread is the lab's own. Half of
     * the expanded one (k = 2); null on the ratio scale, where none is stated.
     */
    public function referenceSd(): ?float
    {
        $expanded = in_array($this->against, ['', self::RECORDS], true) ? $this->reference->uncertainty : null;

        return $expanded === null || $this->policy->policy()->scale === Scale::Ratio ? null : $expanded / 2;
    }
}
