<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use App\Models\Plan;
use HonestCore\Sampling\PlanFile;

/** The cores of a saved plan in the formats that receivers read. */
final class PlanPoints
{
    public const TYPES = [
        'gpx' => 'application/gpx+xml',
        'geojson' => 'application/geo+json',
        'kml' => 'application/vnd.google-earth.kml+xml',
        'csv' => 'text/csv',
    ];

    public function __invoke(Plan $plan, string $format): string
    {
        $composites = [];
        foreach ($plan->layout->cores as $core) {
            $composites[$core->composite - 1][] = [$core->longitude, $core->latitude];
        }
        $places = array_values($composites);

        return match ($format) {
            'gpx' => PlanFile::gpxOf($places),
            'kml' => PlanFile::kmlOf($places),
            'csv' => PlanFile::csvOf($places),
            default => json_encode(PlanFile::features($places), JSON_THROW_ON_ERROR),
        };
    }
}
