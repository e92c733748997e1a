<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\KeepAway;
use HonestCore\Quantity\DepthLayer;

/**
 * What a plan is asked to be.
 *
 * Quantities and units: `edgeM` metres from the boundary; `cellM2` square metres a cell, null for one
 * composite; `cores` for each composite.
 */
final readonly class PlacementSpec
{
    public const MOST_CORES = 1_000;

    private const WIDEST_EDGE_M = 10_000.0;

    /**
     * @param non-empty-list<DepthLayer> $layers
     * @param array{float, float}|null $start metres
     */
    private function __construct(
        public Boundary $boundary,
        public KeepAway $away,
        public float $edgeM,
        public Pattern $pattern,
        public int $cores,
        public ?float $cellM2,
        public array $layers,
        public Probe $probe,
        public int $seed,
        public bool $roundMiddle = false,
        public ?RowPlan $rows = null,
        public ?array $start = null,
        public ?Zones $zones = null,
    ) {}

    /**
     * @param non-empty-list<DepthLayer> $layers
     *
     * @throws ValueOutOfRange
     */
    public static function of(
        Boundary $boundary,
        KeepAway $away,
        float $edgeM,
        Pattern $pattern,
        int $cores,
        ?float $cellM2,
        array $layers,
        Probe $probe,
        int $seed,
    ): self {
        if ($cores < 1 || $cores > self::MOST_CORES) {
            throw new ValueOutOfRange('number_cores_composite', [
                'value' => $cores,
                'most_cores' => self::MOST_CORES,
            ]);
        }
        if (! ($edgeM >= 0 && $edgeM <= self::WIDEST_EDGE_M)) {
            throw new ValueOutOfRange('margin_from_boundary', [
                'value' => $edgeM,
                'low' => 0,
                'high' => 10000,
                'unit' => 'm',
            ]);
        }
        if ($cellM2 !== null && ! ($cellM2 >= 1 && is_finite($cellM2))) {
            throw new ValueOutOfRange('size_cell', ['value' => $cellM2, 'low' => 1, 'unit' => 'm²']);
        }

        return new self($boundary, $away, $edgeM, $pattern, $cores, $cellM2, $layers, $probe, $seed);
    }

    /** Cores of a cell stand round its middle rather than over it. */
    public function roundTheMiddle(): self
    {
        return $this->with(['roundMiddle' => true]);
    }

    public function acrossRows(RowPlan $rows): self
    {
        return $this->with(['rows' => $rows]);
    }

    /** @param array{float, float} $start longitude and latitude of the gate or the vehicle */
    public function startingAt(array $start): self
    {
        return $this->with(['start' => $this->boundary->plane->toMetres($start)]);
    }

    /** A composite for each zone instead of one for all ground. */
    public function byZone(Zones $zones): self
    {
        return $this->with(['zones' => $zones]);
    }

    /** @param array<string, mixed> $changes */
    private function with(array $changes): self
    {
        /**
         * @var array{boundary: Boundary, away: KeepAway, edgeM: float, pattern: Pattern, cores: int,
         *     cellM2: float|null, layers: non-empty-list<DepthLayer>, probe: Probe, seed: int, roundMiddle: bool,
         *     rows: RowPlan|null, start: array{float, float}|null, zones: Zones|null} $fields
         */
        $fields = [...get_object_vars($this), ...$changes];

        return new self(...$fields);
    }
}
