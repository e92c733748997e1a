<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadBoundary;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Geometry\Boundary;
use HonestCore\Geometry\Leg;
use HonestCore\Labs\QualityControl;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * A plan laid over its ground: every core, the way between them, and what they cost and buy. Kept with the plan as it
 * was drafted.
 *
 * Quantities and units: square metres, metres, minutes; places in degrees (WGS 84).
 * Duplicate composites are drawn with the next seed on the same ground, of cores of their own.
 */
final readonly class Layout implements Stored
{
    private const CURVE = [4, 6, 8, 10, 12, 15, 20, 25, 30, 40];

    private const HIDDEN_SEED = 7;

    /**
     * @param list<PlannedCore> $cores
     * @param list<PlannedComposite> $composites
     * @param list<PlannedLayer> $layers
     * @param array<int, float> $marginCurve margin on pH by number of cores
     * @param list<string> $warnings
     */
    private function __construct(
        public array $cores,
        public array $composites,
        public float $areaM2,
        public float $usableM2,
        public float $walkM,
        public float $minutes,
        public array $layers,
        public Bucket $bucket,
        public PlanMargin $margin,
        public array $marginCurve,
        public ?RowCounts $rows,
        public ?QualityCost $quality,
        public array $warnings,
    ) {}

    /**
     * @param array<string, mixed> $boundary GeoJSON
     *
     * @throws BadBoundary
     * @throws ValueOutOfRange
     */
    public static function of(array $boundary, PlanSpec $spec, ?EarlierSpread $earlier = null): self
    {
        $ground = Boundary::fromGeoJson(json_encode($boundary, JSON_THROW_ON_ERROR));
        $layout = self::lay($ground, $spec, $earlier);

        return $spec->quality === null || $spec->quality->isNothing()
            ? $layout
            : $layout->doubled($ground, $spec, $spec->quality, $earlier);
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $curve = [];
        foreach ($fields->rows('margin_curve') as $at) {
            $at = new Fields($at);
            $curve[$at->whole('cores')] = $at->number('ph');
        }
        $bucket = $fields->rowOrNull('bucket');
        $margin = $fields->rowOrNull('margin');
        $quality = $fields->rowOrNull('quality');
        $counted = $fields->rowOrNull('rows');

        return new self(
            array_map(PlannedCore::fromRow(...), $fields->rows('cores')),
            array_map(PlannedComposite::fromRow(...), $fields->rows('composites')),
            $fields->number('area_m2', 0.0),
            $fields->number('usable_m2', 0.0),
            $fields->number('walk_m', 0.0),
            $fields->number('minutes', 0.0),
            array_map(PlannedLayer::fromRow(...), $fields->rows('layers')),
            $bucket === null ? Bucket::holding(0.0) : Bucket::fromRow($bucket),
            $margin === null ? PlanMargin::of(self::CURVE[0], null, null) : PlanMargin::fromRow($margin),
            $curve,
            $counted === null ? null : RowCounts::fromRow($counted),
            $quality === null ? null : QualityCost::fromRow($quality),
            $fields->texts('warnings'),
        );
    }

    public function toRow(): array
    {
        return [
            'cores' => array_map(static fn (PlannedCore $core): array => $core->toRow(), $this->cores),
            'composites' => array_map(static fn (PlannedComposite $one): array => $one->toRow(), $this->composites),
            'area_m2' => $this->areaM2,
            'usable_m2' => $this->usableM2,
            'walk_m' => $this->walkM,
            'minutes' => $this->minutes,
            'layers' => array_map(static fn (PlannedLayer $layer): array => $layer->toRow(), $this->layers),
            'bucket' => $this->bucket->toRow(),
            'margin' => $this->margin->toRow(),
            'margin_curve' => array_map(
                static fn (int $cores, float $ph): array => ['cores' => $cores, 'ph' => $ph],
                array_keys($this->marginCurve),
                $this->marginCurve,
            ),
            'rows' => $this->rows?->toRow(),
            ...$this->quality === null ? [] : ['quality' => $this->quality->toRow()],
            'warnings' => $this->warnings,
        ];
    }

    /** The cores planned for a composite; none when the plan has no such composite. */
    public function coresOf(int $composite): int
    {
        return $this->coresByComposite()[$composite] ?? 0;
    }

    /** @return array<int, int> cores by the number of the composite */
    public function coresByComposite(): array
    {
        $cores = [];
        foreach ($this->composites as $one) {
            $cores[$one->number] = $one->cores;
        }

        return $cores;
    }

    /** @return array<int, int> the composite that is doubled, by the number of its double */
    public function doubles(): array
    {
        $doubles = [];
        foreach ($this->composites as $one) {
            if ($one->duplicateOf !== null) {
                $doubles[$one->number] = $one->duplicateOf;
            }
        }

        return $doubles;
    }

    /** Does the lab get a hidden duplicate of it? */
    public function hides(int $composite): bool
    {
        return in_array($composite, $this->quality->hidden ?? [], true);
    }

    private static function lay(Boundary $ground, PlanSpec $spec, ?EarlierSpread $earlier): self
    {
        $stack = DepthStack::parse($spec->layers);
        $placement = Placement::draft($spec->on($ground, $stack));
        $volumes = $placement->volumesMl;
        $bucket = Bucket::holding($volumes === [] ? 0.0 : max($volumes));
        $margin = PlanMargin::of($spec->cores, $spec->phSd, $earlier);
        $cores = self::cores($placement->composites, $spec->start);
        $sd = $spec->phSd ?? $earlier?->sdPh;
        $curve = [];
        foreach (self::CURVE as $n) {
            $curve[$n] = PhMargin::of($n, $sd)->usual;
        }

        return new self(
            $cores,
            self::composites($cores, $placement),
            $placement->area->squareMetres,
            $placement->usable->squareMetres,
            $placement->walkM,
            self::minutes($placement->walkM, count($cores), $spec),
            array_map(PlannedLayer::of(...), $stack->layers, $volumes),
            $bucket,
            $margin,
            $curve,
            $spec->pattern === Pattern::Rows ? ($spec->rows ?? RowPlan::usual())->counts() : null,
            null,
            [...PlanWarnings::of($spec->cores, $bucket), ...$stack->warnings()],
        );
    }

    private function doubled(Boundary $ground, PlanSpec $spec, QualityAsked $asked, ?EarlierSpread $earlier): self
    {
        $own = count($this->composites);
        $doubled = QualityControl::pick($own, $asked->duplicates, $spec->seed);
        $second = $doubled === [] ? null : self::lay($ground, $spec->with(($spec->seed + 1) % 2147483647), $earlier);
        [$cores, $composites, $walk, $extra] = [$this->cores, $this->composites, 0.0, 0];
        foreach ($doubled as $of) {
            $first = $this->composites[$of - 1];
            $twin = $second?->onGroundOf($first) ?? $first;
            $number = count($composites) + 1;
            $composites[] = new PlannedComposite($number, $twin->cores, $twin->walkM, $twin->outline, $of);
            foreach ($second->cores ?? [] as $core) {
                if ($core->composite === $twin->number) {
                    $cores[] = $core->ofComposite($number);
                }
            }
            $walk += $twin->walkM;
            $extra += $twin->cores;
        }
        $minutes = $doubled === [] ? 0.0 : self::minutes($walk, $extra, $spec);
        $hidden = QualityControl::pick($own, $asked->hidden, $spec->seed + self::HIDDEN_SEED);
        $cost = QualityCost::of($own, count($doubled), $hidden, $extra, $minutes, count($spec->layers));

        return new self(
            $cores,
            $composites,
            $this->areaM2,
            $this->usableM2,
            $this->walkM + $walk,
            $this->minutes + $minutes,
            $this->layers,
            $this->bucket,
            $this->margin,
            $this->marginCurve,
            $this->rows,
            $cost,
            $this->warnings,
        );
    }

    /** The composite that lies on the same ground; the one of the same number where all is one ground. */
    private function onGroundOf(PlannedComposite $other): ?PlannedComposite
    {
        foreach ($this->composites as $one) {
            if ($one->outline === $other->outline) {
                return $one;
            }
        }

        return $this->composites[$other->number - 1] ?? null;
    }

    private static function minutes(float $walkM, int $cores, PlanSpec $spec): float
    {
        return WalkTime::minutes($walkM, $cores, count($spec->layers), $spec->speedKmPerH, $spec->secondsPerCore);
    }

    /**
     * @param list<list<array{float, float}>> $composites
     * @param array{float, float}|null $start
     * @return list<PlannedCore>
     */
    private static function cores(array $composites, ?array $start): array
    {
        $cores = [];
        foreach ($composites as $c => $places) {
            foreach ($places as $i => $place) {
                $from = $i > 0 ? $places[$i - 1] : ($c === 0 ? $start : null);
                $leg = $from === null ? null : Leg::between($from, $place);
                $cores[] = new PlannedCore($c + 1, $i + 1, $place[0], $place[1], $leg?->metres, $leg?->bearing);
            }
        }

        return $cores;
    }

    /**
     * @param list<PlannedCore> $cores
     * @return list<PlannedComposite>
     */
    private static function composites(array $cores, Placement $placement): array
    {
        $walks = array_fill(1, count($placement->composites), 0.0);
        foreach ($cores as $core) {
            $walks[$core->composite] += $core->sequence > 1 ? (float) $core->legM : 0.0;
        }

        return array_map(
            static fn (int $c, array $places): PlannedComposite => new PlannedComposite(
                $c + 1,
                count($places),
                $walks[$c + 1],
                $placement->outlines[$c],
            ),
            array_keys($placement->composites),
            $placement->composites,
        );
    }
}
