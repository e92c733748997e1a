<?php

declare(strict_types=1);

namespace App\Actions\Samples;

use App\Actions\Custody\RunningNumber;
use App\Database\AllOrNothing;
use App\Models\Plan;
use App\Models\ReservedCode;
use HonestCore\Custody\SampleCode;

/** Keeps a code for every composite and layer of a plan that is still to be pulled. Asked again it gives the same. */
final class ReserveCodes
{
    public function __construct(private readonly RunningNumber $numbers) {}

    /**
     * @return list<array{composite: int, depth: string, code: string, portions: list<array{kind: string,
     * code: string}>}>
     */
    public function __invoke(Plan $plan, int $year): array
    {
        return AllOrNothing::of(function () use ($plan, $year): array {
            $site = $plan->area->site;
            $codes = [];
            foreach ($plan->toPull() as $composite) {
                foreach ($plan->spec->layers as $layer) {
                    $kept =
                        ReservedCode::query()
                            ->where([
                                'plan_id' => $plan->id,
                                'composite' => $composite,
                                'depth' => $layer,
                                'year' => $year,
                            ])
                            ->first() ??
                        ReservedCode::query()->create([
                            'site_id' => $site->id,
                            'plan_id' => $plan->id,
                            'composite' => $composite,
                            'depth' => $layer,
                            'year' => $year,
                            'number' => $this->numbers->next($site, $year),
                        ]);
                    $portions = [];
                    foreach (PullComposite::PORTIONS as $kind => $letter) {
                        $portions[] = [
                            'kind' => $kind,
                            'code' => SampleCode::ofSample($site->letters, $year, $kept->number, $letter)->text,
                        ];
                    }
                    $codes[] = [
                        'composite' => $composite,
                        'depth' => $layer,
                        'code' => SampleCode::ofSample($site->letters, $year, $kept->number)->text,
                        'portions' => $portions,
                    ];
                }
            }

            return $codes;
        });
    }
}
