<?php

declare(strict_types=1);

namespace App\Http\Resources\Evidence;

use App\Actions\Evidence\Evidence;
use App\Actions\Evidence\EvidenceView;
use App\Actions\Evidence\Pair;
use App\Actions\Evidence\Strata;
use App\Http\Resources\Decide\PolicyResource;
use App\Http\Resources\Decide\VerdictResource;
use App\Http\Resources\Readings\MethodResource;
use App\Models\TestMethod;
use HonestCore\Agreement\AgreementByDistance;
use HonestCore\Agreement\Correction;
use HonestCore\Agreement\Scale;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property EvidenceView $resource */
final class EvidenceResource extends JsonResource
{
    public function __construct(EvidenceView $view)
    {
        parent::__construct($view);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $view = $this->resource;
        $evidence = $view->evidence;

        return [
            'method' => new MethodResource($evidence->test),
            'reference' => new MethodResource($evidence->reference),
            'policy' => new PolicyResource($evidence->policy),
            'hash' => $evidence->hash()->value,
            'ranges' => [...$evidence->ranges(), ...$evidence->span()],
            'pairs' => new PairsPage($evidence, false, 1),
            'left_out' => new PairsPage($evidence, true, 1),
            'dots' => array_map(self::dot(...), $evidence->pairs),
            'cut' => $evidence->cut(),
            'read_by' => $evidence->readBy(),
            'worth' => [
                'pairs' => count($evidence->counted()),
                'sessions' => $evidence->sessions(),
                'effective' => $evidence->assessment()->sort->effective,
            ],
            'matrix' => $evidence->matrix(),
            'kappa' => $evidence->assessment()->kappa?->toArray(),
            'claims' => $this->claims($request),
            'notes' => $evidence->assessment()->reasons,
            'against' => $evidence->against === Evidence::RECORDS ? '' : $evidence->against,
            'records_alone' => $evidence->against === Evidence::RECORDS,
            'from_records' => $evidence->fromRecords(),
            'difference' => $this->difference(),
            'regression' => $this->regression(),
            'strata' => Strata::of($evidence),
            'by_distance' => array_map(static fn (AgreementByDistance $one): array => $one->toArray(), $evidence->byDistance()),
            'model' => $evidence->model()?->toArray(),
            'needs' => $view->needs,
            'corrections' => array_map(
                static fn (Correction $one): array => $one->toArray(),
                $evidence->corrections(),
            ),
            'censored' => $evidence->censored,
            'sampling' => new SamplingResource($view->sampling),
            'references' => array_map(
                static fn (TestMethod $method): array => ['id' => $method->id, 'name' => $method->name],
                $view->references,
            ),
            'readers' => $view->readers,
        ];
    }

    /**
     * A pair as the pictures need it.
     *
     * @return array{code: string, reference: float, test: float|null, lower: float|null, upper: float|null, same: bool,
     *     lot: string, out: bool}
     */
    private static function dot(Pair $pair): array
    {
        $band = $pair->band();

        return [
            'code' => $pair->sample->code,
            'reference' => $pair->reference,
            'test' => $pair->test(),
            'lower' => $band === null || is_infinite($band->lower) ? null : $band->lower,
            'upper' => $band === null || is_infinite($band->upper) ? null : $band->upper,
            'same' => $pair->testClass() === $pair->referenceClass(),
            'lot' => $pair->lot(),
            'out' => ! $pair->counts(),
        ];
    }

    /** @return array<string, mixed> */
    private function claims(Request $request): array
    {
        $evidence = $this->resource->evidence;
        $claims = [];
        foreach (['sort', 'rate', 'track'] as $claim) {
            $signed = $this->resource->signed[$claim] ?? null;
            $claims[$claim] = [
                'computed' => $evidence->assessment()->{$claim}->toArray(),
                'with_all' => $evidence->withAll()->{$claim}->toArray(),
                'signed' => $signed === null ? null : (new VerdictResource($signed))->toArray($request),
                'coverage' => $evidence->coverage($claim)->toArray(),
                'moved' => $signed !== null && ! $evidence->hash()->is($signed->verdict->evidence_hash),
            ];
        }

        return $claims;
    }

    /** @return array<string, mixed>|null */
    private function difference(): ?array
    {
        $evidence = $this->resource->evidence;
        $policy = $evidence->policy->policy();
        $differences = $evidence->difference();

        return $differences === null
            ? null
            : [
                'of_bands' => $evidence->assessment()->differences === null,
                'ratio' => $policy->scale === Scale::Ratio,
                'allowable' => $policy->tolerance(),
                'reference_sd' => $evidence->referenceSd(),
            ] + $differences->toArray();
    }

    /** @return array<string, mixed>|null both lines, and Deming's with the ratio of the errors where both are known */
    private function regression(): ?array
    {
        $assessment = $this->resource->evidence->assessment();

        return $assessment->deming === null || $assessment->passingBablok === null
            ? null
            : [
                'deming' => $assessment->deming->toArray(),
                'passing_bablok' => $assessment->passingBablok->toArray(),
                'deming_known' => $this->resource->evidence->knownErrors()?->toArray(),
                'concordance' => $assessment->concordance?->toArray(),
            ];
    }
}
