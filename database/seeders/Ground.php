<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Plans\SavePlan;
use App\Models\Area;
use App\Models\Landmark;
use App\Models\Plan;
use App\Models\User;
use HonestCore\Geometry\LocalPlane;
use HonestCore\Sampling\PlanSpec;

/** The ground of the demo in degrees, and the plans on it. */
final class Ground
{
    private readonly LocalPlane $plane;

    public function __construct(private readonly SavePlan $savePlan)
    {
        $this->plane = new LocalPlane(...QuillHollow::MIDDLE);
    }

    /**
     * @param list<array{int|float, int|float}> $points metres
     * @return list<array{float, float}>
     */
    public function degrees(array $points): array
    {
        return array_map(
            fn (array $point): array => array_map(
                static fn (float $degrees): float => round($degrees, 7),
                $this->plane->toDegrees([(float) $point[0], (float) $point[1]]),
            ),
            $points,
        );
    }

    /**
     * @param list<array{int|float, int|float}> $ring metres
     * @return array{type: 'Polygon', coordinates: list<list<array{float, float}>>}
     */
    public function boundary(array $ring): array
    {
        return [
            'type' => 'Polygon',
            'coordinates' => [$this->degrees([...$ring, $ring[0] ?? throw new \LogicException('A ring has corners.')])],
        ];
    }

    /** @param array{duplicates: int, hidden: int}|null $quality */
    public function plan(
        Area $area,
        User $technician,
        int $seed,
        ?float $cellAcres = null,
        ?array $quality = null,
    ): Plan {
        [$pattern, $cores] = QuillHollow::PATTERNS[$area->name];

        return $this->savePlan->new($area, $technician, PlanSpec::fromRow([
            'purpose' => 'routine',
            'layers' => ['0-6in'],
            'cores' => $cores,
            'pattern' => $pattern,
            'cell_acres' => $cellAcres,
            'edge_m' => 5.0,
            'probe_mm' => 19.0,
            'seed' => $seed,
            'quality' => $quality,
            'keep_away' => array_map(
                static fn (Landmark $landmark): array => $landmark->keptAway()->toRow(),
                Landmark::query()->orderBy('id')->get()->all(),
            ),
        ]));
    }
}
