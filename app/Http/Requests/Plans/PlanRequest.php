<?php

declare(strict_types=1);

namespace App\Http\Requests\Plans;

use App\Models\Area;
use App\Models\Landmark;
use App\Models\Plan;
use HonestCore\Sampling\KeptAway;
use HonestCore\Sampling\Pattern;
use HonestCore\Sampling\PlanSpec;
use HonestCore\Sampling\QualityAsked;
use HonestCore\Sampling\RowPlan;
use HonestCore\Table\Fields;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * What a plan of an area is asked to be.
 */
final class PlanRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'purpose' => ['required', Rule::in(['routine'])],
            'school' => ['present', 'nullable', 'string', 'max:40'],
            'layers' => ['required', 'array', 'min:1', 'max:8'],
            'layers.*' => ['required', 'string', 'max:20'],
            'cores' => ['required', 'integer', 'min:2', 'max:200'],
            'pattern' => ['required', Rule::enum(Pattern::class)],
            'cell_acres' => ['present', 'nullable', 'numeric', 'between:0.05,1000'],
            'cell_mode' => ['required', Rule::in(['over', 'middle'])],
            'rows' => ['present', 'nullable', 'array'],
            'rows.spacing_m' => ['required_with:rows', 'numeric'],
            'rows.bearing_deg' => ['required_with:rows', 'numeric'],
            'zones' => ['present', 'nullable', 'array'],
            'start' => ['present', 'nullable', 'array', 'size:2'],
            'start.*' => ['numeric', 'between:-180,180'],
            'speed_km_per_h' => ['present', 'nullable', 'numeric', 'between:0.5,60'],
            'seconds_per_core' => ['present', 'nullable', 'numeric', 'between:0,3600'],
            'edge_m' => ['required', 'numeric', 'min:0', 'max:1000'],
            'probe_mm' => ['required', 'numeric', 'min:5', 'max:300'],
            'seed' => ['required', 'integer', 'min:0', 'max:2147483647'],
            'ph_sd' => ['present', 'nullable', 'numeric', 'min:0.01', 'max:3'],
            'kept_reason' => ['present', 'nullable', 'string', 'max:500'],
            'quality' => ['sometimes', 'nullable', 'array:duplicates,hidden'],
            'quality.duplicates' => ['required_with:quality', 'integer', 'between:0,100'],
            'quality.hidden' => ['required_with:quality', 'integer', 'between:0,100'],
            'keep_away' => ['present', 'array', 'max:50'],
            'keep_away.*.landmark_id' => ['required', 'integer'],
            'keep_away.*.distance_m' => ['required', 'numeric', 'min:0', 'max:10000'],
        ];
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return [
            'edge_m' => 'margin from the boundary',
            'probe_mm' => 'inner diameter of the probe',
            'ph_sd' => 'spread of pH between cores',
            'keep_away.*.distance_m' => 'distance to keep',
        ];
    }

    public function spec(): PlanSpec
    {
        return new PlanSpec(
            purpose: $this->string('purpose')->toString(),
            school: $this->input('school') === null ? null : $this->string('school')->toString(),
            layers: array_values(array_filter($this->array('layers'), is_string(...))),
            cores: $this->integer('cores'),
            pattern: Pattern::from($this->string('pattern')->toString()),
            cellAcres: $this->optional('cell_acres'),
            cellMode: $this->string('cell_mode')->toString(),
            rows: $this->input('rows') === null
                ? null
                : RowPlan::of($this->float('rows.spacing_m'), $this->float('rows.bearing_deg')),
            zones: $this->input('zones') === null ? null : (new Fields($this->all()))->named('zones'),
            start: $this->input('start') === null ? null : [$this->float('start.0'), $this->float('start.1')],
            speedKmPerH: $this->optional('speed_km_per_h'),
            secondsPerCore: $this->optional('seconds_per_core'),
            edgeM: $this->float('edge_m'),
            probeMm: $this->float('probe_mm'),
            seed: $this->integer('seed'),
            phSd: $this->optional('ph_sd'),
            keptReason: $this->input('kept_reason') === null
                ? null
                : $this->string('kept_reason')->trim()->toString(),
            quality: $this->input('quality') === null
                ? null
                : new QualityAsked($this->integer('quality.duplicates'), $this->integer('quality.hidden')),
            keepAway: $this->keepAway(),
        );
    }

    private function optional(string $key): ?float
    {
        return $this->input($key) === null ? null : $this->float($key);
    }

    /** @return list<KeptAway> */
    private function keepAway(): array
    {
        $plan = $this->route('plan');
        $area = $plan instanceof Plan ? $plan->area : $this->route('area');
        $siteId = $area instanceof Area ? $area->site_id : 0;
        /** @var list<array{landmark_id: int, distance_m: int|float}> $asked */
        $asked = $this->validated('keep_away');
        $found = Landmark::ofSite($siteId, array_column($asked, 'landmark_id'));
        $kept = [];
        foreach ($asked as $i => ['landmark_id' => $id, 'distance_m' => $distance]) {
            $landmark =
                $found[$id] ??
                throw ValidationException::withMessages([
                    "keep_away.{$i}.landmark_id" => 'What this plan keeps away from is not among the landmarks of '.
                        'its site any more. Take it off the plan, or mark it again; without it the cores would be '.
                            'laid out too near.',
                ]);
            $kept[] = new KeptAway($landmark->id, $landmark->name, (float) $distance, $landmark->geometry);
        }

        return $kept;
    }
}
