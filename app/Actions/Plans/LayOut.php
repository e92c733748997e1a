<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\KeepAway;
use HonestCore\Geometry\Leg;
use HonestCore\Sampling\Bucket;
use HonestCore\Sampling\DepthLayer;
use HonestCore\Sampling\Pattern;
use HonestCore\Sampling\PhMargin;
use HonestCore\Sampling\Plan;
use HonestCore\Sampling\PlanSpec;
use HonestCore\Sampling\PlanWarnings;
use HonestCore\Sampling\Probe;

/** Lays the cores of a plan over a boundary, and says what they cost and buy. Nothing is stored. */
final class LayOut
{
    private const CURVE = [4, 6, 8, 10, 12, 15, 20, 25, 30, 40];

    /**
     * @param array<string, mixed> $boundary GeoJSON
     * @param array{depth: string, cores: int, pattern: string, edge_m: float, probe_mm: float, seed: int, ph_sd: float|null, keep_away: list<array{distance_m: float, geometry: array<string, mixed>}>} $spec
     * @return array<string, mixed>
     */
    public function __invoke(array $boundary, array $spec): array
    {
        $ground = Boundary::fromGeoJson(json_encode($boundary, JSON_THROW_ON_ERROR));
        $away = KeepAway::nothing();
        foreach ($spec['keep_away'] as ['geometry' => $geometry, 'distance_m' => $distance]) {
            $away = $away->and(KeepAway::fromGeoJson(json_encode($geometry, JSON_THROW_ON_ERROR), $ground->plane, $distance));
        }
        $plan = Plan::draft(PlanSpec::of(
            $ground, $away, $spec['edge_m'], Pattern::from($spec['pattern']), $spec['cores'], null,
            [DepthLayer::parse($spec['depth'])], Probe::ofDiameterMm($spec['probe_mm']), $spec['seed'],
        ));
        $bucket = Bucket::holding($plan->volumesMl[0]);
        $margin = PhMargin::of($spec['cores'], $spec['ph_sd']);

        return [
            'cores' => self::cores($plan->composites[0]),
            'area_m2' => $plan->area->squareMetres,
            'usable_m2' => $plan->usable->squareMetres,
            'walk_m' => $plan->walkM,
            'bucket' => [
                'composite_ml' => $bucket->compositeMl, 'bucket_ml' => $bucket->bucketMl, 'lab_bag_ml' => $bucket->labBagMl,
                'bench_bag_ml' => $bucket->benchBagMl, 'to_spare_ml' => $bucket->toSpareMl(),
            ],
            'margin' => ['ph' => $margin->usual, 'low' => $margin->low, 'high' => $margin->high, 'sd' => $margin->sd, 'confidence' => $margin->confidence],
            'margin_curve' => array_map(static fn (int $cores): array => ['cores' => $cores, 'ph' => PhMargin::of($cores, $spec['ph_sd'])->usual], self::CURVE),
            'warnings' => PlanWarnings::of($spec['cores'], $bucket),
        ];
    }

    /**
     * @param list<array{float, float}> $places
     * @return list<array{sequence: int, longitude: float, latitude: float, leg_m: float|null, bearing_deg: float|null}>
     */
    private static function cores(array $places): array
    {
        $cores = [];
        foreach ($places as $i => $place) {
            $leg = $i === 0 ? null : Leg::between($places[$i - 1], $place);
            $cores[] = ['sequence' => $i + 1, 'longitude' => $place[0], 'latitude' => $place[1], 'leg_m' => $leg?->metres, 'bearing_deg' => $leg?->bearing];
        }

        return $cores;
    }
}
