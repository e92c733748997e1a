<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use App\Models\Area;
use App\Models\Reading;
use HonestCore\Sampling\EarlierSpread;

/**
 * The spread between cores that an area's own earlier composites show: those of the newest year with enough of them.
 */
final class SpreadOfArea
{
    public function __invoke(Area $area): ?EarlierSpread
    {
        $byYear = [];
        $labSd = 0.0;
        $readings = Reading::query()
            ->whereHas('sample', static fn ($samples) => $samples->where('area_id', $area->id))
            ->whereHas('method', static fn ($methods) => $methods->where('analyte', 'ph')->where('workplace', 'lab'))
            ->whereDoesntHave('correction')
            ->with(['sample:id,year,cores_pulled,depth', 'method:id,uncertainty'])
            ->get();
        foreach ($readings as $reading) {
            $byYear["{$reading->sample->year} {$reading->sample->depth}"][] = [
                'value' => (float) $reading->value,
                'cores' => $reading->sample->cores_pulled,
            ];
            $labSd = ($reading->method->uncertainty ?? 0.0) / 2;
        }

        return EarlierSpread::ofNewest($byYear, $labSd);
    }
}
