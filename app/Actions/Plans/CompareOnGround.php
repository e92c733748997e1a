<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use App\Models\Area;
use App\Models\Landmark;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\Ground;
use HonestCore\Geometry\KeepAway;
use HonestCore\Quantity\Extent;
use HonestCore\Sampling\Draw;
use HonestCore\Sampling\Strips;
use HonestCore\Sampling\Zones;
use HonestCore\Simulation\Comparison;
use HonestCore\Simulation\CorrelatedField;
use HonestCore\Simulation\FieldModel;
use HonestCore\Simulation\LocatedResults;
use HonestCore\Simulation\NodeGrid;
use HonestCore\Simulation\Scheme;
use HonestCore\Simulation\SchemeOutcome;
use HonestCore\Simulation\Stakes;
use HonestCore\Table\RuleTable;

/**
 * Compares composite, zones and grids on the usable ground of an area. Prepared first, so that refusals come before
 * any line is sent.
 */
final class CompareOnGround
{
    private const LINES = 200;

    private NodeGrid $grid;

    private ?FieldModel $model = null;

    private ?LocatedResults $results = null;

    private Stakes $stakes;

    /** @var non-empty-list<Scheme> */
    private array $schemes;

    private int $fields;

    private int $seed;

    private float $areaM2;

    /**
     * @param array{ground: string, mean_ph: float, sd_ph: float, range_m: float, fields: int, seed: int,
     *     cores_in_composite: int, cores_in_cell: int, results: string} $asked
     * @param array<string, float> $stakes
     * @param array{float, float} $limits pH below which lime is asked for, and what it is sized for
     * @param array<string, mixed>|null $zones GeoJSON; null parts the ground into equal strips
     */
    public function prepare(Area $area, array $asked, array $stakes, array $limits, ?array $zones): self
    {
        $boundary = Boundary::fromGeoJson(json_encode($area->boundary, JSON_THROW_ON_ERROR));
        $away = KeepAway::nothing();
        foreach (Landmark::query()->where('site_id', $area->site_id)->get() as $landmark) {
            $away = $away->and(
                KeepAway::fromGeoJson(
                    json_encode($landmark->geometry, JSON_THROW_ON_ERROR),
                    $boundary->plane,
                    $landmark->distance_m,
                ),
            );
        }
        $ground = Ground::of($boundary->polygons, 0, $away);
        $this->areaM2 = Strips::of($ground, self::LINES)->areaM2();
        $this->grid = NodeGrid::over($ground, max(1e-3, $this->areaM2), Comparison::PATCHES);
        $this->stakes = Stakes::of($limits[0], $limits[1], $stakes);
        if ($asked['ground'] !== 'stated') {
            $this->results = LocatedResults::parse($asked['results'], $boundary->plane);
        }
        $this->model = match ($asked['ground']) {
            'stated' => FieldModel::of($asked['mean_ph'], $asked['sd_ph'], $asked['range_m']),
            'fitted' => FieldModel::fitted($this->results->values ?? []),
            default => null,
        };
        /** @var array{cell_acres: list<float|int>, zones: int} $table */
        $table = RuleTable::named('comparison');
        $this->schemes = [
            Scheme::oneComposite($this->grid, $asked['cores_in_composite']),
            $zones === null
                ? Scheme::zones($this->grid, $table['zones'], $asked['cores_in_composite'])
                : Scheme::drawn(
                    $this->grid,
                    Zones::fromGeoJson(json_encode($zones, JSON_THROW_ON_ERROR), $boundary),
                    $asked['cores_in_composite'],
                ),
            ...array_map(
                fn (float|int $acres): Scheme => Scheme::cells($this->grid, (float) $acres, $asked['cores_in_cell']),
                array_reverse($table['cell_acres']),
            ),
        ];
        [$this->fields, $this->seed] = [$asked['fields'], $asked['seed']];

        return $this;
    }

    /**
     * @param callable(int, int): void $progress fields done, of how many
     * @return array<string, mixed>
     */
    public function run(callable $progress): array
    {
        $draw = new Draw($this->seed);
        $known = $this->model === null ? $this->results?->field($this->grid) : null;
        $outcomes = Comparison::run(
            $this->grid,
            $this->schemes,
            $this->stakes,
            $this->fields,
            fn (): array => $known ??
                CorrelatedField::draw(
                    $this->grid,
                    $this->model ?? throw new \LogicException('There is no model.'),
                    $draw,
                ),
            $draw,
            fn (int $done) => $progress($done, $this->fields),
        );

        return [
            'schemes' => array_map(static fn (SchemeOutcome $outcome): array => $outcome->toArray(), $outcomes),
            'fields' => $this->fields,
            'seed' => $this->seed,
            'acres' => Extent::ofSquareMetres($this->areaM2)->acres(),
            'lime_ph' => $this->stakes->limePh,
            'target_ph' => $this->stakes->targetPh,
            'model' => $this->model === null
                    ? null
                    : ['mean' => $this->model->mean, 'sd' => $this->model->sd, 'range_m' => $this->model->rangeM],
            'results' => count($this->results->values ?? []),
        ];
    }
}
