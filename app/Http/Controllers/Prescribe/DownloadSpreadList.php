<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Models\SignedProgram;
use HonestCore\Program\SiteRates;
use HonestCore\Program\SpreadListFile;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The spread list and the map of rates of a signed program. */
final class DownloadSpreadList
{
    private const TYPES = [
        'csv' => 'text/csv; charset=utf-8',
        'geojson' => 'application/geo+json',
        'kml' => 'application/vnd.google-earth.kml+xml',
    ];

    public function __invoke(SignedProgram $program, string $format): Response
    {
        abort_unless(isset(self::TYPES[$format]), 404);
        $of = $program->shown()->area;
        $area = $of->name;
        $parts = $program->spreadParts();
        $text = match ($format) {
            'kml' => SpreadListFile::kml($area, $parts, SiteRates::of($of->site->units)),
            'geojson' => SpreadListFile::geoJson($area, $parts),
            default => SpreadListFile::csv($area, $parts),
        };

        return new Response($text, 200, [
            'Content-Type' => self::TYPES[$format],
            'Content-Disposition' => 'attachment; filename="'.Str::slug($area)."-spread-{$program->season}.{$format}\"",
        ]);
    }
}
