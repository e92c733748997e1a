<?php

declare(strict_types=1);

namespace App\Actions\Samples;

use App\Models\Plan;
use App\Models\Sample;
use App\Models\User;
use HonestCore\Custody\SampleCode;
use Illuminate\Support\Facades\DB;

/** Makes the composite of a plan with its code, its cores and its two portions, for the lab and for the bench. */
final class PullComposite
{
    public const PORTIONS = ['lab' => 'L', 'bench' => 'B'];

    /**
     * @param array{pulled_on: string, pulled_by: string, cores_pulled: int, note: string, submission: string|null} $fields
     * @param list<array{sequence: int, outcome: string, reason: string|null}> $cores
     */
    public function __invoke(Plan $plan, User $author, array $fields, array $cores): Sample
    {
        return DB::transaction(static function () use ($plan, $author, $fields, $cores): Sample {
            $given = $fields['submission'] === null ? null : Sample::query()->where('submission', $fields['submission'])->first();
            if ($given !== null) {
                return $given;
            }
            $site = $plan->area->site;
            $year = (int) substr($fields['pulled_on'], 0, 4);
            $number = 1 + (int) Sample::query()->where('site_id', $site->id)->where('year', $year)->max('number');
            $sample = Sample::query()->create([
                ...$fields,
                'site_id' => $site->id,
                'area_id' => $plan->area_id,
                'plan_id' => $plan->id,
                'created_by' => $author->id,
                'code' => SampleCode::ofSample($site->letters, $year, $number)->text,
                'year' => $year,
                'number' => $number,
                'depth' => $plan->spec['depth'],
                'cores_planned' => $plan->spec['cores'],
            ]);
            foreach (self::PORTIONS as $kind => $letter) {
                $sample->portions()->create(['kind' => $kind, 'code' => SampleCode::ofSample($site->letters, $year, $number, $letter)->text]);
            }
            foreach ($cores as $core) {
                $sample->pulls()->create(['sequence' => $core['sequence'], 'outcome' => $core['outcome'], 'reason' => $core['reason'] ?? '']);
            }

            return $sample;
        });
    }
}
