<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\Plan;
use HonestCore\Geometry\PartGround;

/** The ground of one part of a plan: cells cut to the boundary, zones as they were drawn. */
final readonly class PartOfGround
{
    /** @param array<string, mixed> $geometry GeoJSON */
    private function __construct(public float $squareMetres, public array $geometry) {}

    /** @return array<int, self> by the number of the composite; none where the plan has outlines of no part */
    public static function of(Plan $plan): array
    {
        $found = [];
        foreach ($plan->layout->composites as $composite) {
            if ($composite->outline === [] || $composite->duplicateOf !== null) {
                continue;
            }
            $ground = $plan->spec->zones !== null
                ? PartGround::ofZone($composite->outline)
                : PartGround::ofCell($plan->boundary, $composite->outline);
            $found[$composite->number] = new self($ground->areaM2(), $ground->geoJson());
        }

        return $found;
    }
}
