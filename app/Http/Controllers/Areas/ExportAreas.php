<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Models\Area;
use App\Models\Site;
use HonestCore\Geometry\AreaFileWriter;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

final class ExportAreas
{
    private const TYPES = [
        'geojson' => 'application/geo+json',
        'kml' => 'application/vnd.google-earth.kml+xml',
        'gpx' => 'application/gpx+xml',
    ];

    public function __invoke(Site $site, string $format): Response
    {
        abort_unless(isset(self::TYPES[$format]), 404);
        $areas = array_values(
            Area::ofSite($site->id)
                ->map(
                    static fn (Area $area): array => [
                        'name' => $area->name,
                        'use' => $area->use,
                        'history' => $area->history,
                        'geometry' => $area->boundary,
                    ],
                )
                ->all(),
        );
        $text = match ($format) {
            'kml' => AreaFileWriter::kml($areas),
            'gpx' => AreaFileWriter::gpx($areas),
            default => AreaFileWriter::geoJson($areas),
        };

        return new Response($text, 200, [
            'Content-Type' => self::TYPES[$format],
            'Content-Disposition' => 'attachment; filename="'.Str::slug($site->name)."-areas.{$format}\"",
        ]);
    }
}
