<?php

declare(strict_types=1);

namespace App\Actions\Samples;

use App\Actions\Custody\RunningNumber;
use App\Actions\Custody\SplitOff;
use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\Plan;
use App\Models\Portion;
use App\Models\PullNote;
use App\Models\Sample;
use App\Models\User;
use HonestCore\Custody\CoreMark;
use HonestCore\Custody\SampleCode;
use Illuminate\Support\Carbon;

/**
 * Makes the composites of a plan's ground, one for each depth layer, each with its code, its cores and its two
 * portions.
 */
final class PullComposite
{
    public const PORTIONS = ['lab' => Portion::LETTERS['lab'], 'bench' => Portion::LETTERS['bench']];

    public function __construct(
        private readonly RunningNumber $numbers,
        private readonly NotesOfComposite $notes,
        private readonly SplitOff $split,
        private readonly KeepSoil $keepSoil,
    ) {}

    /**
     * @param array{composite: int, pulled_on: string, pulled_by: string, cores_pulled: int, note: string,
     *     submission: string|null, conditions?: array<string, float|string>} $fields
     * @param list<CoreMark> $cores
     * @return non-empty-list<Sample> from the top layer down
     */
    public function __invoke(Plan $plan, User $author, array $fields, array $cores): array
    {
        return AllOrNothing::of(function () use ($plan, $author, $fields, $cores): array {
            $given =
                $fields['submission'] === null
                    ? []
                    : array_values(
                        Sample::query()->where('submission', $fields['submission'])->orderBy('id')->get()->all(),
                    );
            if ($given !== []) {
                return $given;
            }
            $plan->loadMissing('area.site');
            $site = $plan->area->site;
            $year = (int) substr($fields['pulled_on'], 0, 4);
            $noted = $this->notes->settled($plan, $fields['composite']);
            if ($noted !== []) {
                $cores = $noted;
                $fields['cores_pulled'] = CoreMark::countUp($cores);
            }
            if ($fields['cores_pulled'] < 1) {
                throw Conflict::because('no_core_pulled');
            }
            $planned = $plan->layout->coresOf($fields['composite']);
            $samples = [];
            $pulledAt = $this->pulledAt($plan, $fields['composite'], $fields['pulled_on']);
            foreach ($plan->spec->layers as $layer) {
                $number = $this->numbers->of($plan, $fields['composite'], $layer, $year);
                $sample = Sample::query()->create([
                    ...$fields,
                    'conditions' => (object) ($fields['conditions'] ?? []),
                    'site_id' => $site->id,
                    'area_id' => $plan->area_id,
                    'plan_id' => $plan->id,
                    'created_by' => $author->id,
                    'code' => SampleCode::ofSample($site->letters, $year, $number)->text,
                    'year' => $year,
                    'number' => $number,
                    'depth' => $layer,
                    'cores_planned' => $planned,
                ]);
                $sample->update(['deviates' => $sample->deviations() !== []]);
                foreach (array_keys(self::PORTIONS) as $kind) {
                    $this->split->sample($author, $sample, $kind, $pulledAt);
                }
                if ($plan->layout->hides($fields['composite'])) {
                    $this->split->sample($author, $sample, 'hidden', $pulledAt);
                }
                foreach ($cores as $core) {
                    $sample
                        ->pulls()
                        ->create(['reason' => $core->reason ?? ''] + $core->toRow());
                }
                $samples[] = $sample;
            }

            if ($samples === []) {
                throw new \LogicException('A plan has at least one layer.');
            }
            ($this->keepSoil)($plan, $samples, $cores);

            return $samples;
        });
    }

    /** When the soil came up: the last core that a phone noted, else now or, for a day gone by, its noon. */
    private function pulledAt(Plan $plan, int $composite, string $day): Carbon
    {
        $noted = PullNote::query()
            ->where(['plan_id' => $plan->id, 'composite' => $composite, 'late' => false])
            ->max('noted_at');
        $zone = $plan->area->site->timezone;
        $at = match (true) {
            is_string($noted) => Carbon::parse($noted, 'UTC'),
            now($zone)->format('Y-m-d') <= $day => Carbon::now(),
            default => Carbon::parse("{$day} 12:00", $zone),
        };

        return $at->isFuture() ? Carbon::now() : $at;
    }
}
