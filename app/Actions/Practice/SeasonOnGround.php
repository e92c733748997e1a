<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Actions\Evidence\GatherEvidence;
use App\Database\Values;
use App\Models\Area;
use App\Models\Consignment;
use App\Models\PracticeField;
use App\Models\PracticeSoil;
use App\Models\Reading;
use App\Models\Site;
use App\Models\Team;
use HonestCore\Agronomy\Crop;
use HonestCore\Geometry\Boundary;
use HonestCore\Practice\PracticeChoices;
use HonestCore\Practice\PracticeCost;
use HonestCore\Practice\TruthMap;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;
use HonestCore\Simulation\Stakes;
use HonestCore\Statistics\Spread;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Collection as Grouped;

/** What was done on a practice ground and what was believed of it, beside what it is; for its own account. */
final class SeasonOnGround
{
    private const STEP_M = 5.0;

    /** Ground of which nothing is known gets no lime: as if it needed none. */
    private const NOTHING_KNOWN_PH = 14.0;

    private const ANY_DAY = 270;

    private const USUAL_USE = 'corn';

    public function __construct(private readonly GatherEvidence $gather) {}

    public function __invoke(PracticeField $field): SeasonView
    {
        // The first site is that of the ground, whatever it is called by now.
        $site = Site::query()->orderBy('id')->firstOrFail();
        $soils = PracticeSoil::query()->whereHas('sample', static fn (Builder $sample) => $sample->where('site_id', $site->id))
            ->with('sample.area')->orderBy('id')->get();
        $readings = Reading::query()->whereIn('sample_id', $soils->pluck('sample_id'))->whereDoesntHave('correction')
            ->with('method')->get()->groupBy('sample_id');
        $day = (int) round(self::mean(array_values($soils->map(
            static fn (PracticeSoil $soil): float => (float) $soil->day,
        )->all())) ?? self::ANY_DAY);
        $map = TruthMap::of($field->ground(), 'ph', DepthLayer::ofInches(0, 6), (float) $day, self::STEP_M);
        $areas = $this->areas($field, $site, $map, $soils, $readings);
        $stakes = $this->stakes($field, $site);
        $cores = array_values($soils->flatMap(static fn (PracticeSoil $soil): array => $soil->places)->all());
        $byLab = $readings->flatten()->contains(static fn (Reading $one): bool => $one->method->workplace === 'lab');

        return new SeasonView(
            $field,
            $map,
            $day,
            $areas,
            array_values($soils->map(fn (PracticeSoil $soil): CompositeOnGround => $this->composite($soil, $areas, $readings))->all()),
            $soils->isEmpty() ? null : PracticeChoices::made($field->ground(), $this->pulls($soils), $byLab),
            PracticeCost::ofBeliefs(
                $this->pieces($map, $areas),
                $soils->count(),
                $stakes->hours(count($cores), array_sum(array_column($areas, 'areaM2'))),
                Values::whole(Consignment::query()->whereNotNull('sent_at')->sum('fee_cents')) / 100,
                $stakes,
            ),
            $stakes,
            $cores,
        );
    }

    /** Those that a comparison of schemes begins with: the limits of the crop, and the prices that somebody has at home. */
    private function stakes(PracticeField $field, Site $site): Stakes
    {
        $area = Area::query()->where('site_id', $site->id)->orderBy('name')->first();
        $limits = $this->gather->policy('ph')->limitsFor($area->use ?? self::USUAL_USE)->values;
        $crop = ($area?->crop() ?? Crop::of(self::USUAL_USE))->within($limits[0], $limits[count($limits) - 1]);
        $prices = Team::query()->whereKey($field->loadMissing('home')->home->team_id)->first()->prices ?? [];

        return Stakes::of($crop->low, $crop->target, array_map(floatval(...), $prices));
    }

    /**
     * @param Collection<int, PracticeSoil> $soils
     * @param Grouped<array-key, Collection<int, Reading>> $readings
     * @return list<AreaOnGround>
     */
    private function areas(PracticeField $field, Site $site, TruthMap $map, Collection $soils, Grouped $readings): array
    {
        $found = [];
        foreach (Area::query()->where('site_id', $site->id)->orderBy('name')->get() as $area) {
            $boundary = Boundary::fromGeoJson(json_encode($area->boundary, JSON_THROW_ON_ERROR));
            $cells = [];
            foreach (array_keys($map->values) as $cell) {
                if ($boundary->contains($field->degrees($map->place($cell)))) {
                    $cells[] = $cell;
                }
            }
            [$believed, $by] = $this->believed($soils->filter(
                static fn (PracticeSoil $soil): bool => $soil->sample->area_id === $area->id && $soil->isOfTop(),
            ), $readings);
            $true = array_map(static fn (int $cell): float => $map->values[$cell], $cells);
            $found[] = new AreaOnGround(
                $area->id,
                $area->name,
                array_map(
                    fn (array $at): array => $field->metres($boundary->plane->toDegrees($at)),
                    $boundary->polygons[0]->rings[0] ?? [],
                ),
                $area->area_m2,
                $cells,
                self::mean($true),
                self::tenth($true, 0.1),
                self::tenth($true, 0.9),
                $believed,
                $by,
            );
        }

        return $found;
    }

    /** @param list<float> $values */
    private static function tenth(array $values, float $share): ?float
    {
        sort($values);

        return $values[(int) round($share * (count($values) - 1))] ?? null;
    }

    /**
     * By the lab where it measured, else by the kit.
     *
     * @param Collection<int, PracticeSoil> $soils of an area
     * @param Grouped<array-key, Collection<int, Reading>> $readings
     * @return array{float|null, string|null}
     */
    private function believed(Collection $soils, Grouped $readings): array
    {
        foreach (['lab', 'bench'] as $workplace) {
            $values = [];
            foreach ($soils as $soil) {
                $values = [...$values, ...self::ph($readings->get($soil->sample_id), $workplace)];
            }
            if ($values !== []) {
                return [Spread::mean($values), $workplace];
            }
        }

        return [null, null];
    }

    /**
     * @param Collection<int, Reading>|null $readings
     * @return list<float>
     */
    private static function ph(?Collection $readings, string $workplace): array
    {
        $found = [];
        foreach ($readings ?? [] as $one) {
            $isAsked = $one->method->workplace === $workplace && $one->method->analyte === 'ph';
            // A card gives a band: what it stands for is its middle.
            $ph = $isAsked ? $one->value ?? $one->method->scale()?->named((string) $one->band)?->middle() : null;
            if ($ph !== null) {
                $found[] = $ph;
            }
        }

        return $found;
    }

    /**
     * @param list<AreaOnGround> $areas
     * @param Grouped<array-key, Collection<int, Reading>> $readings
     */
    private function composite(PracticeSoil $soil, array $areas, Grouped $readings): CompositeOnGround
    {
        return new CompositeOnGround(
            $soil->sample->code,
            $soil->sample->area->name,
            $soil->sample->depth,
            count($soil->places),
            $soil->short,
            array_column($areas, 'true', 'id')[$soil->sample->area_id] ?? null,
            $soil->meant['ph'] ?? null,
            $soil->holds['ph'] ?? null,
            self::mean(self::ph($readings->get($soil->sample_id), 'lab')),
            self::mean(self::ph($readings->get($soil->sample_id), 'bench')),
        );
    }

    /** @param list<float> $values */
    private static function mean(array $values): ?float
    {
        return $values === [] ? null : Spread::mean($values);
    }

    /**
     * @param Collection<int, PracticeSoil> $soils
     * @return non-empty-list<array{places: non-empty-list<array{float, float}>, layer: DepthLayer}>
     */
    private function pulls(Collection $soils): array
    {
        $pulls = array_values($soils->map(static fn (PracticeSoil $soil): array => [
            'places' => $soil->places, 'layer' => DepthLayer::parse($soil->sample->depth),
        ])->all());

        return $pulls === [] ? throw new \LogicException('Asked where something was pulled.') : $pulls;
    }

    /**
     * @param list<AreaOnGround> $areas
     * @return list<array{acres: float, true: float, believed: float}>
     */
    private function pieces(TruthMap $map, array $areas): array
    {
        $believed = [];
        foreach ($areas as $area) {
            foreach ($area->cells as $cell) {
                $believed[$cell] = $area->believed;
            }
        }
        $acres = $map->stepM ** 2 / Extent::M2_PER_ACRE;

        return array_map(
            static fn (int $cell): array => [
                'acres' => $acres, 'true' => $map->values[$cell], 'believed' => $believed[$cell] ?? self::NOTHING_KNOWN_PH,
            ],
            array_keys($map->values),
        );
    }
}
