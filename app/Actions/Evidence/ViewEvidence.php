<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Actions\Verdicts\VerdictStatus;
use App\Exceptions\Conflict;
use App\Models\Reading;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Call;

/** The evidence of a test beside a lab's method or another test, or of one reader beside another. */
final class ViewEvidence
{
    public function __construct(
        private readonly GatherEvidence $gather,
        private readonly SamplingSplit $sampling,
        private readonly VerdictStatus $status,
        private readonly Needs $needs,
    ) {}

    /** @throws Conflict where there is nothing that it can be held against */
    public function beside(TestMethod $test, ?int $reference): EvidenceView
    {
        $this->refuseUntested($test);
        $references = $this->gather->references($test);
        foreach ($references as $one) {
            if ($reference === null || $one->id === $reference) {
                return $this->view(($this->gather)($test, $one), $references, SignedVerdict::standingOn($test, $one));
            }
        }

        throw $references === []
                ? Conflict::because('stands_alone', test: $test->name)
                : Conflict::because('not_its_reference');
    }

    public function readers(TestMethod $test, string $against, string $reader): EvidenceView
    {
        $this->refuseUntested($test);

        return $this->view($this->gather->readers($test, $against, $reader), $this->gather->references($test), []);
    }

    /** What old records say, by themselves. */
    public function records(TestMethod $test, ?int $reference): EvidenceView
    {
        $this->refuseUntested($test);
        $references = $this->gather->references($test);
        foreach ($references as $one) {
            if ($one->workplace === 'lab' && ($reference === null || $one->id === $reference)) {
                return $this->view($this->gather->ofRecords($test, $one), $references, SignedVerdict::standingOn($test, $one));
            }
        }

        throw Conflict::because('stands_alone', test: $test->name);
    }

    private function refuseUntested(TestMethod $test): void
    {
        $untested = $this->gather->untested($test);
        if ($untested !== null) {
            throw Conflict::because('not_judged', test: $test->name, why: $untested);
        }
    }

    /**
     * @param list<TestMethod> $references
     * @param iterable<SignedVerdict> $signed
     */
    private function view(Evidence $evidence, array $references, iterable $signed): EvidenceView
    {
        $shown = [];
        foreach ($signed as $verdict) {
            $shown[$verdict->claim] = $this->status->shown($verdict);
        }
        $figures = $this->sampling->of($evidence->reference);
        $values = array_map(
            /** @return array{float, ActionLimits} */
            static fn (Pair $pair): array => [$pair->reference, $pair->limits],
            $evidence->counted(),
        );
        $close = $figures->used === null ? null : Call::countTooClose($values, $figures->used);

        return new EvidenceView(
            $evidence,
            $shown,
            $this->needs->of($evidence),
            new SamplingOfLab($evidence->reference, $figures, $close),
            $references,
            $evidence->test->workplace === 'bench' ? Reading::readersOf($evidence->test) : [],
        );
    }
}
