<?php

declare(strict_types=1);

namespace App\Http\Requests\Plans;

use App\Models\Area;
use App\Models\Landmark;
use App\Models\Plan;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What a plan of an area is asked to be. */
final class PlanRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'purpose' => ['required', Rule::in(['routine'])],
            'depth' => ['required', 'string', 'max:20'],
            'cores' => ['required', 'integer', 'min:2', 'max:200'],
            'pattern' => ['required', Rule::in(['zigzag', 'w', 'random'])],
            'edge_m' => ['required', 'numeric', 'min:0', 'max:1000'],
            'probe_mm' => ['required', 'numeric', 'min:5', 'max:300'],
            'seed' => ['required', 'integer', 'min:0', 'max:2147483647'],
            'ph_sd' => ['present', 'nullable', 'numeric', 'min:0.01', 'max:3'],
            'keep_away' => ['present', 'array', 'max:50'],
            'keep_away.*.landmark_id' => ['required', 'integer'],
            'keep_away.*.distance_m' => ['required', 'numeric', 'min:0', 'max:10000'],
        ];
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return ['edge_m' => 'margin from the boundary', 'probe_mm' => 'inner diameter of the probe', 'ph_sd' => 'spread of pH between cores', 'keep_away.*.distance_m' => 'distance to keep'];
    }

    /** @return array{purpose: string, depth: string, cores: int, pattern: string, edge_m: float, probe_mm: float, seed: int, ph_sd: float|null, keep_away: list<array{landmark_id: int, name: string, distance_m: float, geometry: array<string, mixed>}>} */
    public function spec(): array
    {
        return [
            'purpose' => $this->string('purpose')->toString(),
            'depth' => $this->string('depth')->toString(),
            'cores' => $this->integer('cores'),
            'pattern' => $this->string('pattern')->toString(),
            'edge_m' => $this->float('edge_m'),
            'probe_mm' => $this->float('probe_mm'),
            'seed' => $this->integer('seed'),
            'ph_sd' => $this->input('ph_sd') === null ? null : $this->float('ph_sd'),
            'keep_away' => $this->keepAway(),
        ];
    }

    /** @return list<array{landmark_id: int, name: string, distance_m: float, geometry: array<string, mixed>}> */
    private function keepAway(): array
    {
        $plan = $this->route('plan');
        $area = $plan instanceof Plan ? $plan->area : $this->route('area');
        $siteId = $area instanceof Area ? $area->site_id : 0;
        /** @var list<array{landmark_id: int, distance_m: int|float}> $asked */
        $asked = $this->validated('keep_away');
        $found = Landmark::query()->where('site_id', $siteId)->findMany(array_column($asked, 'landmark_id'))->keyBy('id');
        $kept = [];
        foreach ($asked as ['landmark_id' => $id, 'distance_m' => $distance]) {
            $landmark = $found->get($id);
            if ($landmark !== null) {
                $kept[] = ['landmark_id' => $landmark->id, 'name' => $landmark->name, 'distance_m' => (float) $distance, 'geometry' => $landmark->geometry];
            }
        }

        return $kept;
    }
}
