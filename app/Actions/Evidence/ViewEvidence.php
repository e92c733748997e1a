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
    public function __invoke(TestMethod $test, Beside $beside): EvidenceView
    {
        $references = $this->gather->references($test);
        $evidence = $this->evidence($test, $beside, $references);
        $signed = $beside->reader === '' ? SignedVerdict::standingOn($test, $evidence->reference) : [];

        return $this->view($evidence, $references, $signed);
    }

    /**
     * The pairs alone.
     *
     * @param list<TestMethod>|null $references that it can be held against, where they are known already
     *
     * @throws Conflict where there is nothing that it can be held against
     */
    public function evidence(TestMethod $test, Beside $beside, ?array $references = null): Evidence
    {
        $this->refuseUntested($test);
        if ($beside->reader !== '') {
            return $this->gather->readers($test, $beside->against, $beside->reader);
        }
        $references ??= $this->gather->references($test);
        foreach ($references as $one) {
            if ($beside->isRecords && $one->workplace !== 'lab') {
                continue;
            }
            if ($beside->reference === null || $one->id === $beside->reference) {
                return $beside->isRecords ? $this->gather->ofRecords($test, $one) : ($this->gather)($test, $one);
            }
        }

        throw $references === [] || $beside->isRecords
            ? Conflict::because('stands_alone', test: $test->name)
            : Conflict::because('not_its_reference');
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
