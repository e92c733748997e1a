<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use App\Models\Area;
use App\Models\Plan;
use App\Models\Reading;
use App\Models\Sample;

/** The lab pH of an area's newest plan by cell or zone, of its upper layer, each amid the cores of its composite. */
final class OwnGridResults
{
    private const FEWEST = 3;

    /**
     * @return array{year: int|null, rows: list<array{sample: string, longitude: float, latitude: float, ph: float}>}
     */
    public function __invoke(Area $area): array
    {
        foreach (
            $area->plans()->where('composites', '>=', self::FEWEST)->whereHas('samples')->orderByDesc('id')->get() as $plan
        ) {
            $rows = $this->rows($plan);
            if (count($rows) >= self::FEWEST) {
                return ['year' => $plan->samples()->firstOrFail()->year, 'rows' => $rows];
            }
        }

        return ['year' => null, 'rows' => []];
    }

    /** @return list<array{sample: string, longitude: float, latitude: float, ph: float}> */
    private function rows(Plan $plan): array
    {
        $places = [];
        foreach ($plan->layout->cores as $core) {
            $places[$core->composite][] = [$core->longitude, $core->latitude];
        }
        $rows = [];
        foreach (
            $plan
                ->samples()
                ->where('depth', $plan->spec->layers[0])
                ->with('readings.method')
                ->orderBy('composite')
                ->get() as $sample
        ) {
            $ph = $this->labPh($sample);
            if ($ph !== null && isset($places[$sample->composite])) {
                $own = $places[$sample->composite];
                $middle = static fn (int $axis): float => round(array_sum(array_column($own, $axis)) / count($own), 7);
                $rows[] = ['sample' => $sample->code, 'longitude' => $middle(0), 'latitude' => $middle(1), 'ph' => $ph];
            }
        }

        return $rows;
    }

    private function labPh(Sample $sample): ?float
    {
        $reading = $sample->readings
            ->filter(static fn (Reading $one): bool => $one->method->analyte === 'ph' && $one->method->workplace === 'lab')
            ->sortByDesc('id')
            ->first();

        return $reading?->value;
    }
}
