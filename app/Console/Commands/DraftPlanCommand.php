<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\KeepAway;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\Pattern;
use HonestCore\Sampling\Placement;
use HonestCore\Sampling\PlacementSpec;
use HonestCore\Sampling\PlanFile;
use HonestCore\Sampling\Probe;

final class DraftPlanCommand extends ContractCommand
{
    private const FORMATS = ['geojson', 'gpx', 'kml', 'csv'];

    private const USUAL_CORES = 20;

    private const USUAL_CORES_IN_CELL = 12;

    protected $signature = 'plan:draft
        {boundary : GeoJSON Feature, FeatureCollection or (Multi)Polygon; - for standard input}
        {--pattern=zigzag : zigzag, w, random, stratified, grid or transect}
        {--cores= : cores for each composite}
        {--cell-acres= : split into square cells of this size, one composite each}
        {--exclude= : GeoJSON file of lines, points or polygons to keep away from}
        {--buffer-m=0 : distance to keep from them, metres}
        {--edge-m=0 : distance to keep from the boundary, metres}
        {--depth=* : layer such as 0-6in or 15-30cm; repeatable}
        {--probe-mm=19 : inner diameter of the probe, millimetres}
        {--seed=1 : the same seed gives the same points}
        {--format=geojson : geojson, gpx, kml or csv}
        {--json : accepted with geojson, which is JSON already}';

    protected $description = 'Lay cores over a boundary';

    public function handle(): int
    {
        $format = $this->text('format') ?? '';
        if (! in_array($format, self::FORMATS, true)) {
            throw BadInput::because('--format', "\"{$format}\" is no format", implode(', ', self::FORMATS));
        }
        if ($format !== 'geojson' && $this->option('json') === true) {
            throw BadInput::because(
                '--json',
                "it does not go with --format={$format}",
                '--json with --format=geojson only',
            );
        }
        $plan = Placement::draft($this->spec());
        $this->emit(
            match ($format) {
                'gpx' => PlanFile::gpx($plan),
                'kml' => PlanFile::kml($plan),
                'csv' => PlanFile::csv($plan),
                default => self::json(PlanFile::geoJson($plan)),
            },
        );

        return self::SUCCESS;
    }

    protected function facts(): array
    {
        return PlanFile::geoJson(Placement::draft($this->spec()));
    }

    private function spec(): PlacementSpec
    {
        $name = $this->text('pattern') ?? '';
        $names = array_values(array_diff(array_column(Pattern::cases(), 'value'), [Pattern::Rows->value]));
        $pattern = in_array($name, $names, true)
            ? Pattern::from($name)
            : throw BadInput::because('--pattern', "\"{$name}\" is no pattern", implode(', ', $names));
        $cellAcres = $this->number('cell-acres');
        if ($cellAcres !== null && $cellAcres <= 0) {
            throw BadInput::because('--cell-acres', "{$cellAcres} is no size", 'acres above 0');
        }
        $cores = $this->whole('cores') ?? ($cellAcres === null ? self::USUAL_CORES : self::USUAL_CORES_IN_CELL);
        $layers = array_values(
            array_map(DepthLayer::parse(...), array_map(strval(...), (array) $this->option('depth'))),
        );
        $probe = Probe::ofDiameterMm($this->requiredNumber('probe-mm'));
        $seed = $this->whole('seed') ?? 1;
        $buffer = $this->requiredNumber('buffer-m');
        if ($buffer < 0 || $buffer > 100_000) {
            throw BadInput::because('--buffer-m', "{$buffer} is no distance to keep", 'metres from 0 to 100000');
        }
        $boundary = Boundary::fromGeoJson($this->file('boundary'));

        return PlacementSpec::of(
            $boundary,
            $this->away($boundary, $buffer),
            $this->requiredNumber('edge-m'),
            $pattern,
            $cores,
            $cellAcres === null ? null : $cellAcres * Extent::M2_PER_ACRE,
            $layers === [] ? [DepthLayer::ofInches(0, 6)] : $layers,
            $probe,
            $seed,
        );
    }

    private function away(Boundary $boundary, float $buffer): KeepAway
    {
        $path = $this->text('exclude');
        if ($path === null) {
            return KeepAway::nothing();
        }
        $text = is_file($path) && is_readable($path) ? file_get_contents($path) : false;
        if ($text === false) {
            throw BadInput::because('--exclude', "\"{$path}\" cannot be read", 'the path of a readable GeoJSON file');
        }

        return KeepAway::fromGeoJson($text, $boundary->plane, $buffer);
    }
}
