<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Sampling\Draw;

/**
 * Ground whose truth is known: several analytes that go together, two histories, a strip that was limed, the dust of a gravel road,
 * an old wall with lead, what lies on top and what below, and a season that moves it.
 *
 * Quantity and unit: pH; ppm of phosphorus, potassium and lead; percent of organic matter. Metres east and north of a corner of the
 * ground; days of the year.
 * Domain: the same seed and level make the same ground.
 * Source: data/practice.json; fields as in WaveField, made to go together by the Cholesky root of their correlation.
 */
final readonly class PracticeGround
{
    private const DAYS = 365.25;

    /** Pure lime that lifts the pH of an acre by one, in tons, of this ground on average: common practice, silt loam. */
    private const TONS_A_PH = 2.5;

    /**
     * @param list<WaveField> $fields
     * @param list<list<float>> $root lower triangle
     * @param list<float> $shift of this ground against others, by analyte
     */
    private function __construct(
        public int $seed,
        public PracticeLevel $level,
        public float $widthM,
        public float $heightM,
        private array $fields,
        private array $root,
        private array $shift,
        private float $zoneAtM,
        private float $stripAtM,
        private float $stripM,
        private float $wallEastM,
        private float $wallNorthM,
        private float $tonsAPh,
    ) {}

    /** @throws ValueOutOfRange on ground below 10 m or above 5 km */
    public static function made(int $seed, PracticeLevel $level, float $widthM = 200.0, float $heightM = 150.0): self
    {
        foreach ([$widthM, $heightM] as $side) {
            if (! ($side >= 10 && $side <= 5000)) {
                throw new ValueOutOfRange('side_of_practice_ground', ['value' => $side, 'low' => 10, 'high' => 5000, 'unit' => 'm']);
            }
        }
        $draw = new Draw($seed);
        $chance = new Chance($draw);
        $fields = array_map(static fn (): WaveField => WaveField::drawn($level->figure('range_m'), $draw), $level->analytes());

        return new self(
            $seed,
            $level,
            $widthM,
            $heightM,
            $fields,
            self::choleskyOf($level->correlation()),
            array_map(
                static fn (string $analyte): float => $chance->normal(0.0, $level->shared('between', $analyte)),
                $level->analytes(),
            ),
            $widthM * $draw->between(0.35, 0.65),
            $heightM * $draw->between(0.2, 0.6),
            $heightM * $draw->between(0.12, 0.2),
            $widthM * $draw->between(0.7, 0.95),
            $heightM * $draw->between(0.75, 0.95),
            self::TONS_A_PH * $draw->between(0.7, 1.4),
        );
    }

    /** What a place holds in a layer on a day, before anything was spread. */
    public function at(string $analyte, float $eastM, float $northM, DepthLayer $layer, float $day): float
    {
        $log = $this->surface($analyte, $eastM, $northM) + $this->ofLayer($analyte, $layer) + $this->ofSeason($analyte, $day);

        return $this->level->isLogarithmic($analyte) ? exp($log) : max($analyte === 'ph' ? 3.0 : 0.1, $log);
    }

    /** pH of a place once lime was spread, as long as it has acted. */
    public function limed(float $ph, float $tonsPerAcre): float
    {
        // Ground near neutral takes less and less of it up.
        return $ph + (8.2 - $ph) * (1 - exp(-$tonsPerAcre / $this->tonsAPh / max(0.1, 8.2 - $ph)));
    }

    /** Tons an acre that lift a place to a pH; 0 where it is there already. */
    public function limeNeeded(float $ph, float $wanted): float
    {
        if ($ph >= $wanted) {
            return 0.0;
        }
        $gap = 8.2 - $ph;

        return -log(1 - ($wanted - $ph) / $gap) * $this->tonsAPh * $gap;
    }

    /** Does the place belong to the second history? */
    public function isBeyond(float $eastM): bool
    {
        return $eastM > $this->zoneAtM;
    }

    /** Was the place within the strip that was limed? */
    public function wasLimed(float $northM): bool
    {
        return $northM >= $this->stripAtM && $northM <= $this->stripAtM + $this->stripM;
    }

    /** Is it so close to the gravel road or the old wall that a core there tells of these? */
    public function isNearTrouble(float $eastM, float $northM): bool
    {
        return $northM < $this->level->figure('road_m') ||
            hypot($eastM - $this->wallEastM, $northM - $this->wallNorthM) < 2 * $this->level->figure('wall_m');
    }

    /**
     * What lies in it that a map shows: the line between two histories, the strip that was limed, the wall.
     *
     * @return array{line_m: float, strip_m: array{float, float}, wall_m: array{float, float}, road_m: float}
     */
    public function features(): array
    {
        return [
            'line_m' => $this->zoneAtM,
            'strip_m' => [$this->stripAtM, $this->stripAtM + $this->stripM],
            'wall_m' => [$this->wallEastM, $this->wallNorthM],
            'road_m' => $this->level->figure('road_m'),
        ];
    }

    private function surface(string $analyte, float $eastM, float $northM): float
    {
        $place = $this->level->place($analyte);
        $z = 0.0;
        foreach ($this->root[$place] as $i => $share) {
            $z += $share === 0.0 ? 0.0 : $share * $this->fields[$i]->at($eastM, $northM);
        }
        $value = $this->level->shared('mean', $analyte) + $this->shift[$place] + $this->level->of('sd', $analyte) * $z +
            ($this->isBeyond($eastM) ? 0.5 : -0.5) * $this->level->of('zone', $analyte);
        $dust = exp(-$northM / $this->level->figure('road_m'));
        if ($analyte === 'ph') {
            return $value + $dust * $this->level->figure('road') + ($this->wasLimed($northM) ? $this->level->figure('limed') : 0.0);
        }
        if ($analyte === 'pb') {
            $away = hypot($eastM - $this->wallEastM, $northM - $this->wallNorthM);

            return $value + $this->level->figure('wall_lead') * exp(-$away / $this->level->figure('wall_m')) + 0.3 * $dust;
        }

        return $value;
    }

    /** The mean over a layer of what falls off exponentially from the top. */
    private function ofLayer(string $analyte, DepthLayer $layer): float
    {
        $scale = $this->level->sharedFigure('depth_cm');
        $mean = ($scale * (exp(-$layer->topCm / $scale) - exp(-$layer->bottomCm / $scale))) / $layer->thicknessCm();

        // Told of the layer from 0 to 6 in, which limits are made for, it is 0.
        $usual = ($scale * (1 - exp(-15.24 / $scale))) / 15.24;

        return $this->level->shared('depth_top', $analyte) * ($mean - $usual);
    }

    private function ofSeason(string $analyte, float $day): float
    {
        return $this->level->shared('season', $analyte) *
            cos((2 * M_PI * ($day - $this->level->sharedFigure('season_peak_day'))) / self::DAYS);
    }

    /**
     * @param list<list<float>> $of a correlation, positive definite
     * @return list<list<float>>
     *
     * Source: any handbook of linear algebra.
     */
    private static function choleskyOf(array $of): array
    {
        $root = [];
        foreach ($of as $i => $row) {
            $line = [];
            for ($j = 0; $j <= $i; $j++) {
                $sum = $row[$j];
                for ($k = 0; $k < $j; $k++) {
                    $sum -= ($line[$k] ?? 0.0) * ($j === $i ? $line[$k] ?? 0.0 : $root[$j][$k] ?? 0.0);
                }
                $line[] = $j === $i ? sqrt(max(0.0, $sum)) : $sum / ($root[$j][$j] ?? 1.0);
            }
            $root[] = $line;
        }

        return $root;
    }
}
