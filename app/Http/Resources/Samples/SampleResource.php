<?php

declare(strict_types=1);

namespace App\Http\Resources\Samples;

use App\Http\Resources\Custody\PortionLine;
use App\Http\Resources\Readings\ReadingResource;
use App\Models\CorePull;
use App\Models\Reading;
use App\Models\Sample;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Sample */
final class SampleResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'code' => $this->code,
            'area' => ['id' => $this->area->id, 'name' => $this->area->name, 'use_name' => $this->area->crop()->name],
            'site' => [
                'id' => $this->site->id,
                'name' => $this->site->name,
                'address' => $this->site->address,
                'owner' => $this->site->owner ?? '',
                'phone' => $this->site->phone ?? '',
            ],
            'plan_id' => $this->plan_id,
            'composite' => $this->composite,
            'depth' => $this->depth,
            'pulled_on' => $this->pulled_on->format('Y-m-d'),
            'pulled_by' => $this->pulled_by,
            'cores_planned' => $this->cores_planned,
            'cores_pulled' => $this->cores_pulled,
            'note' => $this->note,
            'conditions' => (object) $this->conditions,
            'deviations' => $this->deviations(),
            'photos' => $this->photos->pluck('id')->values()->all(),
            'portions' => $this->portions->sortBy('id')->values()->map(PortionLine::of(...))->all(),
            'pulls' => $this->pulls
                ->map(
                    static fn (CorePull $pull): array => [
                        'sequence' => $pull->sequence,
                        'outcome' => $pull->outcome->value,
                        'reason' => $pull->reason,
                    ],
                )
                ->all(),
            'readings' => ReadingResource::collection(
                $this->readings->each(
                    fn (Reading $reading): Reading => $reading->setRelation('sample', $this->resource),
                ),
            ),
        ];
    }
}
