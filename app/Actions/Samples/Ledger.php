<?php

declare(strict_types=1);

namespace App\Actions\Samples;

use App\Database\Like;
use App\Database\Values;
use App\Models\Area;
use App\Models\ConsignedPortion;
use App\Models\Consignment;
use App\Models\Portion;
use App\Models\Sample;
use HonestCore\Custody\ProbableCodes;
use Illuminate\Database\Eloquent\Builder;

/** The samples of a team, narrowed by any of their facts. */
final class Ledger
{
    /**
     * @param array<string, mixed> $asked facts of a sample that narrow the ledger, by name
     * @param bool $many whether many are expected, so that they are looked for from the newest on
     * @return Builder<Sample> newest first
     */
    public function __invoke(array $asked, bool $many = false): Builder
    {
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
                static fn (Builder $samples) => $samples->where('pulled_on', '<=', Values::text($asked['to']).' 23:59:59'),
            )
            ->when(isset($asked['deviates']), static fn (Builder $samples) => $samples->where('deviates', true));
        $this->byPortion($query, $asked, $many);
        $this->byReading($query, $asked['read'] ?? null);
        $words = trim(is_string($asked['q'] ?? null) ? $asked['q'] : '');
        if ($words !== '') {
            $like = Like::pattern($words);
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
    private function byPortion(Builder $query, array $asked, bool $many): void
    {
        if (isset($asked['kind']) || isset($asked['state']) || isset($asked['lab_id'])) {
            $narrowed = static function (Builder $portions) use ($asked, $many): Builder {
                foreach (['kind', 'state'] as $field) {
                    $portions->when(isset($asked[$field]), static fn (Builder $some) => $some->where("portions.{$field}", $asked[$field]));
                }

                return $portions->when(isset($asked['lab_id']), static fn (Builder $some) => $many
                    ? $some->whereHas(
                        'consigned.consignment',
                        static fn (Builder $consignments) => $consignments->where('lab_id', $asked['lab_id']),
                    )
                    : $some->whereIn(
                        'portions.id',
                        ConsignedPortion::query()
                            ->whereIn('consignment_id', Consignment::query()->where('lab_id', $asked['lab_id'])->select('id'))
                            ->select('portion_id'),
                    ));
            };
            $many
                ? $query->whereHas('portions', $narrowed)
                : $query->whereIn('samples.id', $narrowed(Portion::query()->whereNotNull('sample_id'))->select('sample_id'));
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
