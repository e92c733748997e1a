<?php

declare(strict_types=1);

namespace App\Http\Resources\Evidence;

use App\Actions\Evidence\Evidence;
use App\Actions\Evidence\Pair;
use App\Http\Resources\Decide\PolicyResource;
use App\Http\Resources\Decide\VerdictResource;
use App\Http\Resources\Readings\MethodResource;
use App\Models\Reading;
use App\Models\Verdict;
use HonestCore\Agreement\ActionTally;
use HonestCore\Bench\ProtocolBreak;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Evidence $resource */
final class EvidenceResource extends JsonResource
{
    /** @param iterable<Verdict> $verdicts that stand as signed, one a claim at most */
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
        ];
    }

    /** @return array<string, mixed> */
    private function pair(Pair $pair): array
    {
        $band = $pair->band();
        $actions = $this->resource->policy->terms['actions'];
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
            'band' => $band === null ? null : ['name' => $band->name, 'lower' => $finite($band->lower), 'upper' => $finite($band->upper), 'cut' => $band->isCutBy($pair->limits)],
            'difference' => $test === null ? null : $test - $pair->reference,
            'reference_action' => $actions[$pair->referenceClass()],
            'test_action' => $pair->testClass() === null ? null : $actions[$pair->testClass()],
            'same' => $pair->testClass() === $pair->referenceClass(),
            'readings' => array_map(static fn (Reading $reading): string => $reading->as_reported, $pair->readings),
            'reader' => $last->reader,
            'read_on' => $last->read_on->format('Y-m-d'),
            'deviations' => $pair->sample->deviations(),
            'flags' => array_map(static fn (string $code): string => ProtocolBreak::of($code)->name, $pair->flags),
        ];
    }

    /** @return list<list<int>> counts by reference action (rows) and test action; bands that cannot sort stand in neither column */
    private function matrix(ActionTally $tally): array
    {
        $classes = count($this->resource->policy->terms['actions']);
        $matrix = array_fill(0, $classes, array_fill(0, $classes + 1, 0));
        foreach ($this->resource->counted() as $pair) {
            $matrix[$pair->referenceClass()][$pair->testClass() ?? $classes]++;
        }

        return array_map(static fn (array $row): array => array_values($tally->mute === [] ? array_slice($row, 0, $classes) : $row), $matrix);
    }
}
