<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\Leg;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\Bucket;
use HonestCore\Sampling\DepthLayer;
use HonestCore\Sampling\DepthStack;
use HonestCore\Sampling\Pattern;
use HonestCore\Sampling\PhMargin;
use HonestCore\Sampling\Placement;
use HonestCore\Sampling\PlanSpec;
use HonestCore\Sampling\PlanWarnings;
use HonestCore\Sampling\Probe;
use HonestCore\Sampling\RowPlan;
use HonestCore\Sampling\WalkTime;
use HonestCore\Sampling\Zones;

/**
 * Lays the cores of a plan over a boundary, and says what they cost and buy. Nothing is stored.
 *
 * @phpstan-type Rows array{spacing_m: float, bearing_deg: float}
 * @phpstan-type Away array{distance_m: float, geometry: array<string, mixed>}
 * @phpstan-type Asked array{layers: list<string>, cores: int, pattern: string, cell_acres: float|null,
 *     cell_mode: string, rows: Rows|null, zones: array<string, mixed>|null, start: array{float, float}|null,
 *     speed_km_per_h: float|null, seconds_per_core: float|null, edge_m: float, probe_mm: float, seed: int, ph_sd: float|null,
 *     quality?: array{duplicates: int, hidden: int}|null, keep_away: list<Away>}
 * @phpstan-type Earlier array{sd: float, composites: int}
 * @phpstan-type Core array{composite: int, sequence: int, longitude: float, latitude: float, leg_m: float|null,
 *     bearing_deg: float|null}
 * @phpstan-type Outline list<list<array{float, float}>>
 * @phpstan-type Composite array{number: int, cores: int, walk_m: float, outline: Outline, duplicate_of?: int}
 * @phpstan-type Quality array{duplicates: int, hidden: list<int>, usual: int, cores: int, minutes: float,
 *     samples: int, fees: float, words: list<string>}
 * @phpstan-type Laid array{cores: list<Core>, composites: list<Composite>, walk_m: float, minutes: float,
 *     quality?: Quality, area_m2: float, usable_m2: float, layers: list<array<string, mixed>>, bucket: array<string,
 *     mixed>, margin: array<string, mixed>, margin_curve: list<array<string, mixed>>, rows: array<string, mixed>|null,
 *     warnings: list<string>}
 */
final class LayOut
{
    public function __construct(private readonly Doubles $doubles) {}

    private const CURVE = [4, 6, 8, 10, 12, 15, 20, 25, 30, 40];

    /**
     * @param array<string, mixed> $boundary GeoJSON
     * @param Asked $spec
     * @param Earlier|null $earlier spread of this ground's own earlier composites
     * @return Laid
     */
    public function __invoke(array $boundary, array $spec, ?array $earlier = null): array
    {
        $layout = $this->lay($boundary, $spec, $earlier);
        $quality = $spec['quality'] ?? null;

        return $quality === null || $quality['duplicates'] + $quality['hidden'] === 0
            ? $layout
            : ($this->doubles)(
                $layout,
                $quality,
                $spec,
                fn (): array => $this->lay($boundary, ['seed' => ($spec['seed'] + 1) % 2147483647] + $spec, $earlier),
            );
    }

    /**
     * @param array<string, mixed> $boundary
     * @param Asked $spec
     * @param Earlier|null $earlier
     * @return Laid
     */
    private function lay(array $boundary, array $spec, ?array $earlier): array
    {
        $ground = Boundary::fromGeoJson(json_encode($boundary, JSON_THROW_ON_ERROR));
        $stack = DepthStack::parse($spec['layers']);
        $plan = Placement::draft($this->asked($ground, $stack, $spec));
        $volumes = $plan->volumesMl;
        $bucket = Bucket::holding($volumes === [] ? 0.0 : max($volumes));
        $sd = $spec['ph_sd'] ?? ($earlier['sd'] ?? null);
        $margin = PhMargin::of($spec['cores'], $sd);
        $cores = self::cores($plan->composites, $spec['start']);

        return [
            'cores' => $cores,
            'composites' => self::composites($cores, $plan),
            'area_m2' => $plan->area->squareMetres,
            'usable_m2' => $plan->usable->squareMetres,
            'walk_m' => $plan->walkM,
            'minutes' => WalkTime::minutes(
                $plan->walkM,
                count($cores),
                count($stack->layers),
                $spec['speed_km_per_h'],
                $spec['seconds_per_core'],
            ),
            'layers' => array_map(
                static fn (DepthLayer $layer, int $i): array => [
                    'notation' => $layer->notation(),
                    'text' => $layer->text(),
                    'volume_ml' => $volumes[$i],
                ],
                $stack->layers,
                array_keys($stack->layers),
            ),
            'bucket' => [
                'composite_ml' => $bucket->compositeMl,
                'bucket_ml' => $bucket->bucketMl,
                'lab_bag_ml' => $bucket->labBagMl,
                'bench_bag_ml' => $bucket->benchBagMl,
                'to_spare_ml' => $bucket->toSpareMl(),
            ],
            'margin' => [
                'ph' => $margin->usual,
                'low' => $margin->low,
                'high' => $margin->high,
                'sd' => $margin->sd,
                'confidence' => $margin->confidence,
                'source' => $spec['ph_sd'] !== null ? 'stated' : ($earlier === null ? 'usual' : 'earlier'),
                'composites' => $earlier['composites'] ?? 0,
            ],
            'margin_curve' => array_map(
                static fn (int $n): array => ['cores' => $n, 'ph' => PhMargin::of($n, $sd)->usual],
                self::CURVE,
            ),
            'rows' => self::rows($spec),
            'warnings' => [...PlanWarnings::of($spec['cores'], $bucket), ...$stack->warnings()],
        ];
    }

    /** @param Asked $spec */
    private function asked(Boundary $ground, DepthStack $stack, array $spec): PlanSpec
    {
        $away = KeepAway::nothing();
        foreach ($spec['keep_away'] as ['geometry' => $geometry, 'distance_m' => $distance]) {
            $away = $away->and(
                KeepAway::fromGeoJson(json_encode($geometry, JSON_THROW_ON_ERROR), $ground->plane, $distance),
            );
        }
        $asked = PlanSpec::of(
            $ground,
            $away,
            $spec['edge_m'],
            Pattern::from($spec['pattern']),
            $spec['cores'],
            $spec['cell_acres'] === null || $spec['zones'] !== null ? null : $spec['cell_acres'] * Extent::M2_PER_ACRE,
            $stack->layers,
            Probe::ofDiameterMm($spec['probe_mm']),
            $spec['seed'],
        );
        if ($spec['cell_acres'] !== null && $spec['cell_mode'] === 'middle') {
            $asked = $asked->roundTheMiddle();
        }
        if ($spec['rows'] !== null) {
            $asked = $asked->acrossRows(RowPlan::of($spec['rows']['spacing_m'], $spec['rows']['bearing_deg']));
        }
        if ($spec['zones'] !== null) {
            $asked = $asked->byZone(Zones::fromGeoJson(json_encode($spec['zones'], JSON_THROW_ON_ERROR), $ground));
        }

        return $spec['start'] === null ? $asked : $asked->startingAt($spec['start']);
    }

    /**
     * @param list<list<array{float, float}>> $composites
     * @param array{float, float}|null $start
     * @return list<Core>
     */
    private static function cores(array $composites, ?array $start): array
    {
        $cores = [];
        foreach ($composites as $c => $places) {
            foreach ($places as $i => $place) {
                $from = $i > 0 ? $places[$i - 1] : ($c === 0 ? $start : null);
                $leg = $from === null ? null : Leg::between($from, $place);
                $cores[] = [
                    'composite' => $c + 1,
                    'sequence' => $i + 1,
                    'longitude' => $place[0],
                    'latitude' => $place[1],
                    'leg_m' => $leg?->metres,
                    'bearing_deg' => $leg?->bearing,
                ];
            }
        }

        return $cores;
    }

    /**
     * @param list<array{composite: int, sequence: int, leg_m: float|null}> $cores
     * @return list<Composite>
     */
    private static function composites(array $cores, Placement $plan): array
    {
        $walks = array_fill(1, count($plan->composites), 0.0);
        foreach ($cores as $core) {
            $walks[$core['composite']] += $core['sequence'] > 1 ? (float) $core['leg_m'] : 0.0;
        }

        return array_map(
            static fn (int $c, array $places): array => [
                'number' => $c + 1,
                'cores' => count($places),
                'walk_m' => $walks[$c + 1],
                'outline' => $plan->outlines[$c],
            ],
            array_keys($plan->composites),
            $plan->composites,
        );
    }

    /**
     * @param array{pattern: string, rows: array{spacing_m: float, bearing_deg: float}|null} $spec
     * @return array{per_transect: int, between_for_each_in_band: int}|null
     */
    private static function rows(array $spec): ?array
    {
        if ($spec['pattern'] !== Pattern::Rows->value) {
            return null;
        }
        $rows = RowPlan::of($spec['rows']['spacing_m'] ?? 0.762, $spec['rows']['bearing_deg'] ?? 0.0);

        return ['per_transect' => $rows->perTransect(), 'between_for_each_in_band' => $rows->betweenForEachInBand()];
    }
}
