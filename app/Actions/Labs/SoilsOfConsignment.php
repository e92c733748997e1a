<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Models\ConsignedPortion;
use App\Models\Consignment;
use App\Models\Portion;
use App\Models\Reading;
use HonestCore\Labs\SimulatedSoil;

/** What a simulated lab has to know of the soils in a consignment; a real one sees codes alone. */
final class SoilsOfConsignment
{
    /** @return array<string, SimulatedSoil> by the code of the portion */
    public function __invoke(Consignment $consignment): array
    {
        $secret = config('app.key');
        $soils = [];
        foreach ($consignment->contents->map(static fn (ConsignedPortion $one): Portion => $one->portion) as $portion) {
            $soil = $portion->sample === null
                ? "check {$portion->check_soil_id}"
                : "sample {$portion->sample_id}";
            $soils[$portion->code] = SimulatedSoil::of(
                is_string($secret) ? $secret : '',
                $soil,
                $portion->sample === null ? $soil : "ground {$portion->sample->area_id}",
                self::knownPh($portion),
            );
        }

        return $soils;
    }

    /** Of the check soil, of this composite, or the mean of its ground. */
    private static function knownPh(Portion $portion): ?float
    {
        if ($portion->sample === null) {
            $known = $portion->checkSoil->known['ph']['value'] ?? null;

            return $known === null ? null : (float) $known;
        }
        $ofSample = Reading::numbersOfLabs('ph')->where('sample_id', $portion->sample_id)->avg('value');
        $ph = $ofSample ?? Reading::numbersOfLabs('ph')
            ->whereHas('sample', static fn ($samples) => $samples->where('area_id', $portion->sample->area_id))
            ->avg('value');

        return is_numeric($ph) ? (float) $ph : null;
    }
}
