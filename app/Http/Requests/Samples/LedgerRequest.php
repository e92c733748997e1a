<?php

declare(strict_types=1);

namespace App\Http\Requests\Samples;

use App\Models\Area;
use App\Models\Portion;
use App\Models\Sample;
use HonestCore\Custody\ProbableCodes;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Which samples of the ledger: any of its facts narrows it. */
final class LedgerRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'page' => ['sometimes', 'integer', 'between:1,100000'],
            'site_id' => ['sometimes', 'integer'],
            'area_id' => ['sometimes', 'integer'],
            'year' => ['sometimes', 'integer', 'between:2000,2200'],
            'depth' => ['sometimes', 'string', 'max:20'],
            'kind' => ['sometimes', Rule::in(array_keys(Portion::LETTERS))],
            'state' => ['sometimes', 'string', 'max:20'],
            'lab_id' => ['sometimes', 'integer'],
            'from' => ['sometimes', 'date_format:Y-m-d'],
            'to' => ['sometimes', 'date_format:Y-m-d'],
            'read' => ['sometimes', Rule::in(['lab', 'bench', 'no_lab', 'no_bench'])],
            'deviates' => ['sometimes', Rule::in(['1'])],
            'q' => ['sometimes', 'string', 'max:60'],
        ];
    }

    /** @return Builder<Sample> newest first */
    public function samples(): Builder
    {
        $asked = $this->validated();
        $query = Sample::query()->orderByDesc('year')->orderByDesc('number')->orderByDesc('id');
        foreach (['site_id', 'area_id', 'year', 'depth'] as $field) {
            $query->when(
                isset($asked[$field]),
                static fn (Builder $samples) => $samples->where("samples.{$field}", $asked[$field]),
            );
        }
        $query
            ->when(
                isset($asked['from']),
                static fn (Builder $samples) => $samples->where('pulled_on', '>=', $asked['from']),
            )
            ->when(
                isset($asked['to']),
                static fn (Builder $samples) => $samples->where('pulled_on', '<=', "{$asked['to']} 23:59:59"),
            )
            ->when(isset($asked['deviates']), static fn (Builder $samples) => $samples->where('deviates', true));
        $this->byPortion($query, $asked);
        $this->byReading($query, $asked['read'] ?? null);
        $words = trim((string) ($asked['q'] ?? ''));
        if ($words !== '') {
            $like = '%'.addcslashes($words, '%_\\').'%';
            $query->where(
                static fn (Builder $some) => $some
                    ->whereRaw("samples.code LIKE ? ESCAPE '\\'", [$like])
                    ->orWhereRaw("pulled_by LIKE ? ESCAPE '\\'", [$like])
                    ->orWhereRaw("note LIKE ? ESCAPE '\\'", [$like])
                    ->orWhereIn(
                        'area_id',
                        Area::query()
                            ->whereRaw("name LIKE ? ESCAPE '\\'", [$like])
                            ->select('id'),
                    )
                    ->orWhereIn(
                        'samples.id',
                        Portion::query()
                            ->where('code', ProbableCodes::tidy($words))
                            ->whereNotNull('sample_id')
                            ->select('sample_id'),
                    ),
            );
        }

        return $query;
    }

    /**
     * @param Builder<Sample> $query
     * @param array<string, mixed> $asked
     */
    private function byPortion(Builder $query, array $asked): void
    {
        if (isset($asked['kind']) || isset($asked['state']) || isset($asked['lab_id'])) {
            $portions = Portion::query()->whereNotNull('sample_id');
            foreach (['kind', 'state'] as $field) {
                $portions->when(
                    isset($asked[$field]),
                    static fn (Builder $some) => $some->where($field, $asked[$field]),
                );
            }
            $portions->when(
                isset($asked['lab_id']),
                static fn (Builder $some) => $some->whereHas(
                    'consigned.consignment',
                    static fn (Builder $consignments) => $consignments->where('lab_id', $asked['lab_id']),
                ),
            );
            $query->whereIn('samples.id', $portions->select('sample_id'));
        }
    }

    /** @param Builder<Sample> $query */
    private function byReading(Builder $query, mixed $read): void
    {
        if (is_string($read)) {
            $of = static fn (Builder $readings) => $readings->whereHas(
                'method',
                static fn (Builder $methods) => $methods->where('workplace', str_replace('no_', '', $read)),
            );
            str_starts_with($read, 'no_')
                ? $query->whereDoesntHave('readings', $of)
                : $query->whereHas('readings', $of);
        }
    }
}
