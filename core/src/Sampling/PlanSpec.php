<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\KeepAway;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * What a plan is asked to be, as it is kept: the one home of its fields.
 *
 * Quantities and units: cells in acres; margin from the boundary, rows and distances in metres; probe in millimetres;
 * speed in km/h; seconds a core; `phSd` a standard deviation of pH between cores; start in degrees (WGS 84).
 */
final readonly class PlanSpec implements Stored
{
    public const OVER_THE_CELL = 'over';

    public const ROUND_ITS_MIDDLE = 'middle';

    /**
     * @param list<string> $layers in the notation of DepthLayer
     * @param array<string, mixed>|null $zones GeoJSON
     * @param array{float, float}|null $start longitude and latitude
     * @param list<KeptAway> $keepAway
     */
    public function __construct(
        public string $purpose,
        public ?string $school,
        public array $layers,
        public int $cores,
        public Pattern $pattern,
        public ?float $cellAcres,
        public string $cellMode,
        public ?RowPlan $rows,
        public ?array $zones,
        public ?array $start,
        public ?float $speedKmPerH,
        public ?float $secondsPerCore,
        public float $edgeM,
        public float $probeMm,
        public int $seed,
        public ?float $phSd,
        public ?string $keptReason,
        public ?QualityAsked $quality,
        public array $keepAway,
    ) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $rows = $fields->rowOrNull('rows');
        $quality = $fields->rowOrNull('quality');

        return new self(
            $fields->text('purpose'),
            $fields->textOrNull('school'),
            $fields->texts('layers'),
            $fields->whole('cores'),
            Pattern::from($fields->text('pattern')),
            $fields->numberOrNull('cell_acres'),
            $fields->text('cell_mode', self::OVER_THE_CELL),
            $rows === null ? null : RowPlan::fromRow($rows),
            $fields->has('zones') ? $fields->named('zones') : null,
            $fields->pairOrNull('start'),
            $fields->numberOrNull('speed_km_per_h'),
            $fields->numberOrNull('seconds_per_core'),
            $fields->number('edge_m'),
            $fields->number('probe_mm'),
            $fields->whole('seed'),
            $fields->numberOrNull('ph_sd'),
            $fields->textOrNull('kept_reason'),
            $quality === null ? null : QualityAsked::fromRow($quality),
            array_map(KeptAway::fromRow(...), $fields->rows('keep_away')),
        );
    }

    public function toRow(): array
    {
        return [
            'purpose' => $this->purpose,
            'school' => $this->school,
            'layers' => $this->layers,
            'cores' => $this->cores,
            'pattern' => $this->pattern->value,
            'cell_acres' => $this->cellAcres,
            'cell_mode' => $this->cellMode,
            'rows' => $this->rows?->toRow(),
            'zones' => $this->zones,
            'start' => $this->start,
            'speed_km_per_h' => $this->speedKmPerH,
            'seconds_per_core' => $this->secondsPerCore,
            'edge_m' => $this->edgeM,
            'probe_mm' => $this->probeMm,
            'seed' => $this->seed,
            'ph_sd' => $this->phSd,
            'kept_reason' => $this->keptReason,
            'quality' => $this->quality?->toRow(),
            'keep_away' => array_map(static fn (KeptAway $one): array => $one->toRow(), $this->keepAway),
        ];
    }

    /** The same plan drawn with another seed, or with other fields. */
    public function with(int $seed): self
    {
        return self::fromRow(['seed' => $seed] + $this->toRow());
    }

    /** Does it ask for several composites, so that the ground is parted already? */
    public function parts(): bool
    {
        return $this->cellAcres !== null || $this->zones !== null;
    }

    /** What the placing of cores is asked on this ground. */
    public function on(Boundary $ground, DepthStack $stack): PlacementSpec
    {
        $away = KeepAway::nothing();
        foreach ($this->keepAway as $one) {
            $geometry = json_encode($one->geometry, JSON_THROW_ON_ERROR);
            $away = $away->and(KeepAway::fromGeoJson($geometry, $ground->plane, $one->distanceM));
        }
        $cellM2 = $this->cellAcres === null || $this->zones !== null ? null : $this->cellAcres * Extent::M2_PER_ACRE;
        $asked = PlacementSpec::of(
            $ground,
            $away,
            $this->edgeM,
            $this->pattern,
            $this->cores,
            $cellM2,
            $stack->layers,
            Probe::ofDiameterMm($this->probeMm),
            $this->seed,
        );
        if ($this->cellAcres !== null && $this->cellMode === self::ROUND_ITS_MIDDLE) {
            $asked = $asked->roundTheMiddle();
        }
        if ($this->rows !== null) {
            $asked = $asked->acrossRows($this->rows);
        }
        if ($this->zones !== null) {
            $asked = $asked->byZone(Zones::fromGeoJson(json_encode($this->zones, JSON_THROW_ON_ERROR), $ground));
        }

        return $this->start === null ? $asked : $asked->startingAt($this->start);
    }
}
