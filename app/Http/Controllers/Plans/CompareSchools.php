<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plans;

use App\Actions\Plans\Schools;
use App\Http\Resources\Plans\SchoolResource;
use App\Models\Area;
use HonestCore\Program\SiteRates;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\PhMargin;
use HonestCore\Sampling\School;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Where the schools disagree about an area, and what that changes. Those made for its use come first. */
final class CompareSchools
{
    public function __invoke(Request $request, Area $area, Schools $schools): JsonResponse
    {
        $all = $schools->all();
        $own = $schools->own();
        $acres = Extent::ofSquareMetres($area->area_m2)->acres();
        $base = $all[$area->site->school ?? ''] ?? null;
        $rates = SiteRates::of($area->site->units);
        $lines = array_map(
            static fn (School $school): array => $rates->throughout([
                'school' => (new SchoolResource($school, isset($own[$school->code])))->toArray($request),
                'fits_use' => $school->isFor($area->use),
                'composites' => $school->composites($acres),
                'cores' => $school->composites($acres) * $school->cores[1],
                'samples' => $school->composites($acres) * count($school->layers),
                'margin_ph' => PhMargin::of(max(2, $school->cores[1]))->usual,
                'differs' => $base === null || $base->code === $school->code ? [] : self::differences($base, $school, $acres),
            ]),
            array_values($all),
        );
        usort(
            $lines,
            static fn (array $a, array $b): int => [! $a['fits_use'], $a['samples']] <=> [! $b['fits_use'], $b['samples']],
        );

        return new JsonResponse($lines);
    }

    /** @return list<string> */
    private static function differences(School $base, School $other, float $acres): array
    {
        $layers = static fn (School $school): string => implode(
            ' and ',
            array_map(static fn (DepthLayer $layer): string => $layer->text(), $school->layers),
        );

        return array_keys(
            array_filter([
                "depth {$layers($other)} instead of {$layers($base)}: its numbers are not those of the other slice"
                    => $layers($other) !== $layers($base),
                "{$other->composites($acres)} composites instead of {$base->composites($acres)}"
                    => $other->composites($acres) !== $base->composites($acres),
                "{$other->cores[1]} cores instead of {$base->cores[1]}" => $other->cores[1] !== $base->cores[1],
            ]),
        );
    }
}
