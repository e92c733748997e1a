<?php

declare(strict_types=1);

namespace App\Http\Resources\Evidence;

use App\Actions\Evidence\Evidence;
use App\Actions\Evidence\GatherEvidence;
use App\Actions\Evidence\Needs;
use App\Actions\Evidence\Pair;
use App\Actions\Evidence\SamplingSplit;
use App\Actions\Evidence\Strata;
use App\Http\Resources\Decide\PolicyResource;
use App\Http\Resources\Decide\VerdictResource;
use App\Http\Resources\Readings\MethodResource;
use App\Models\Reading;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use HonestCore\Agreement\ActionTally;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\Correction;
use HonestCore\Agreement\Deming;
use HonestCore\Agreement\Differences;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Scale;
use HonestCore\Bench\ProtocolBreak;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Evidence $resource */
final class EvidenceResource extends JsonResource
{
    private const MOST_LINES = 1000;

    private const MOST_RANK_LINES = 120;

    /** @param iterable<SignedVerdict> $verdicts that stand as signed, one a claim at most */
    public function __construct(Evidence $evidence, private readonly iterable $verdicts)
    {
        parent::__construct($evidence);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $evidence = $this->resource;
        $hash = $evidence->hash();
        $claims = [];
        foreach (['sort' => null, 'rate' => null, 'track' => null] as $claim => $none) {
            $signed = null;
            foreach ($this->verdicts as $verdict) {
                $signed = $verdict->claim === $claim ? $verdict : $signed;
            }
            $claims[$claim] = [
                'computed' => $evidence->assessment()->{$claim}->toArray(),
                'with_all' => $evidence->withAll()->{$claim}->toArray(),
                'signed' => $signed === null ? null : (new VerdictResource($signed))->toArray($request),
                'moved' => $signed !== null && $signed->evidence_hash !== $hash,
            ];
        }

        return [
            'method' => new MethodResource($evidence->test),
            'reference' => new MethodResource($evidence->reference),
            'policy' => new PolicyResource($evidence->policy),
            'hash' => $hash,
            'ranges' => $evidence->ranges(),
            'pairs' => array_map($this->pair(...), $evidence->counted()),
            'left_out' => array_map($this->pair(...), $evidence->leftOut()),
            'matrix' => $this->matrix($evidence->assessment()->sort->tally),
            'kappa' => $evidence->assessment()->kappa?->toArray(),
            'claims' => $claims,
            'notes' => $evidence->assessment()->reasons,
            'against' => $evidence->against,
            'difference' => $this->difference(),
            'regression' => $this->regression(),
            'strata' => Strata::of($evidence),
            'needs' => Needs::of($evidence),
            'corrections' => $this->corrections(),
            'censored' => $evidence->censored,
            'sampling' => $this->sampling($request),
            'references' => array_map(
                static fn (TestMethod $method): array => ['id' => $method->id, 'name' => $method->name],
                app(GatherEvidence::class)->references($evidence->test),
            ),
            'readers' => self::readers($evidence),
        ];
    }

    /**
     * @return array<string, mixed>|null limits of the differences; of the middles of bands they are for looking at
     *                                   alone
     */
    private function difference(): ?array
    {
        $evidence = $this->resource;
        $policy = $evidence->policy->policy();
        $differences = $evidence->assessment()->differences;
        if ($differences !== null) {
            return [
                'of_bands' => false,
                'ratio' => $policy->scale === Scale::Ratio,
                'allowable' => $policy->tolerance(),
            ] + $differences->toArray();
        }
        [$x, $y] = [[], []];
        foreach ($evidence->counted() as $pair) {
            $test = $pair->test();
            if ($test !== null && ($policy->scale === Scale::Absolute || ($test > 0 && $pair->reference > 0))) {
                $x[] = $policy->scale->of($pair->reference);
                $y[] = $policy->scale->of($test);
            }
        }

        return $x === []
            ? null
            : ['of_bands' => true, 'ratio' => $policy->scale === Scale::Ratio, 'allowable' => $policy->tolerance()] +
                    Differences::between($x, $y, $policy->confidence)->toArray();
    }

    /** @return array<string, mixed>|null both lines, and Deming's with the ratio of the errors where both are known */
    private function regression(): ?array
    {
        $assessment = $this->resource->assessment();
        if ($assessment->deming === null || $assessment->passingBablok === null) {
            return null;
        }
        $known = null;
        [$own, $lab] = [$assessment->track->repeatability->sd, $this->resource->reference->uncertainty];
        if (
            $own !== null &&
            $own > 0 &&
            $lab !== null &&
            $lab > 0 &&
            $this->resource->policy->policy()->scale === Scale::Absolute
        ) {
            $ratio = ($own / ($lab / 2)) ** 2;
            $counted = $this->resource->counted();
            $known =
                ['ratio' => $ratio] +
                Deming::fit(
                    array_map(static fn (Pair $pair): float => $pair->reference, $counted),
                    array_map(static fn (Pair $pair): float => $pair->paired->test(), $counted),
                    $ratio,
                )->toArray();
        }

        return [
            'deming' => $assessment->deming->toArray(),
            'passing_bablok' => $assessment->passingBablok->toArray(),
            'deming_known' => $known,
            'concordance' => $assessment->concordance?->toArray(),
        ];
    }

    /** @return list<array<string, mixed>> what corrections would give; none is ever applied */
    private function corrections(): array
    {
        $evidence = $this->resource;
        if ($evidence->test->bands !== null) {
            return [];
        }
        $samples = array_map(static fn (Pair $pair): PairedSample => $pair->paired, $evidence->counted());
        $policy = $evidence->policy->policy();

        // A line by ranks for each pair left out: past a hundred that takes long and tells no more than Deming's.
        return array_values(
            array_map(
                static fn (Correction $one): array => $one->toArray(),
                array_filter([
                    Correction::byDeming(array_slice($samples, 0, self::MOST_LINES), $policy),
                    count($samples) > self::MOST_RANK_LINES ? null : Correction::byPassingBablok($samples, $policy),
                ]),
            ),
        );
    }

    /** @return array<string, mixed> with how many pairs are too close to call by it */
    private function sampling(Request $request): array
    {
        $evidence = $this->resource;
        $split = app(SamplingSplit::class)->of($evidence->reference);
        $expanded = $split['used'];
        $close =
            $expanded === null
                ? null
                : count(
                    array_filter(
                        $evidence->counted(),
                        static fn (Pair $pair): bool => Call::ofValue(
                            $pair->reference,
                            $expanded,
                            $pair->limits,
                        )->isTooClose(),
                    ),
                );

        return $split + ['close' => $close];
    }

    /** @return list<string> who read the test on composites that another has read too */
    private static function readers(Evidence $evidence): array
    {
        $names = Reading::query()
            ->where('method_id', $evidence->test->id)
            ->whereDoesntHave('correction')
            ->distinct()
            ->orderBy('reader')
            ->pluck('reader')
            ->all();

        return $evidence->test->workplace === 'bench' ? array_values(array_map(strval(...), $names)) : [];
    }

    /** @return array<string, mixed> */
    private function pair(Pair $pair): array
    {
        $band = $pair->band();
        $actions = $this->resource->policy->terms->actions;
        $finite = static fn (?float $value): ?float => $value !== null && is_finite($value) ? $value : null;
        $last = $pair->readings[count($pair->readings) - 1];
        $test = $pair->test();

        return [
            'sample_id' => $pair->sample->id,
            'reading_id' => $last->id,
            'code' => $pair->sample->code,
            'area' => $pair->sample->area->name,
            'limits' => $pair->limits->values,
            'reference' => $pair->reference,
            'test' => $test,
            'band' => $band === null
                    ? null
                    : [
                        'name' => $band->name,
                        'lower' => $finite($band->lower),
                        'upper' => $finite($band->upper),
                        'cut' => $band->isCutBy($pair->limits),
                        'may' => array_values(
                            array_map(
                                static fn (int $class): string => $actions[$class],
                                array_diff($band->reaches($pair->limits), [$pair->testClass()]),
                            ),
                        ),
                    ],
            'difference' => $test === null ? null : $test - $pair->reference,
            'reference_action' => $actions[$pair->referenceClass()],
            'test_action' => $pair->testClass() === null ? null : $actions[$pair->testClass()],
            'same' => $pair->testClass() === $pair->referenceClass(),
            'readings' => array_map(static fn (Reading $reading): string => $reading->as_reported, $pair->readings),
            'lot' => $pair->lot(),
            'season' => $pair->sample->year,
            'reader' => $last->reader,
            'read_on' => $last->read_on->format('Y-m-d'),
            'deviations' => $pair->sample->deviations(),
            'flags' => array_map(static fn (string $code): string => ProtocolBreak::of($code)->name, $pair->flags),
        ];
    }

    /**
     * @return list<list<int>> counts by reference action (rows) and test action; bands that cannot sort stand in
     *                         neither column
     */
    private function matrix(ActionTally $tally): array
    {
        $classes = count($this->resource->policy->terms->actions);
        $matrix = array_fill(0, $classes, array_fill(0, $classes + 1, 0));
        foreach ($this->resource->counted() as $pair) {
            $matrix[$pair->referenceClass()][$pair->testClass() ?? $classes]++;
        }

        return array_map(
            static fn (array $row): array => array_values($tally->mute === [] ? array_slice($row, 0, $classes) : $row),
            $matrix,
        );
    }
}
