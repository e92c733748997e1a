<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\AreaRate;
use HonestCore\Quantity\DepthLayer;

/**
 * A composite as it lies in the bucket: the mean of cores of which some are short, and some of the top alone.
 *
 * Quantity and unit: as PracticeGround; cores of an analyte differ from their place by a spread of their own.
 * Variant: what is mixed is the mean of the analyte itself, of pH too: within a unit the mean of pH and the pH of the mean differ
 * by less than a reading does.
 */
final readonly class PulledSoil
{
    /** The least that a short core reaches of its layer. */
    private const SHORTEST = 0.4;

    /** What a core of the top alone brings, of its layer. */
    private const TOP = 0.3;

    /**
     * @param array<string, float> $holds what is in it, by analyte
     * @param array<string, float> $meant the mean of the planned layer at the planned places
     */
    private function __construct(public array $holds, public array $meant, public int $cores, public int $short) {}

    /**
     * The same soil once what was spread on its ground has acted: lime by what the ground takes up, phosphate and potash by pounds a ppm.
     *
     * @param array<string, float> $lbPerAcre of stone as limestone is sold (lime), P2O5 and K2O
     */
    public function after(PracticeGround $ground, array $lbPerAcre): self
    {
        return new self(
            self::acted($this->holds, $ground, $lbPerAcre),
            self::acted($this->meant, $ground, $lbPerAcre),
            $this->cores,
            $this->short,
        );
    }

    /**
     * @param array<string, float> $holds
     * @param array<string, float> $lbPerAcre
     * @return array<string, float>
     */
    private static function acted(array $holds, PracticeGround $ground, array $lbPerAcre): array
    {
        $pure = (($lbPerAcre['lime'] ?? 0.0) / AreaRate::LB_PER_TON) * LimeMaterial::reference()->effectiveness();
        if (isset($holds['ph']) && $pure > 0) {
            $holds['ph'] = $ground->limed($holds['ph'], $pure);
        }
        foreach (['p' => 'p2o5', 'k' => 'k2o'] as $analyte => $nutrient) {
            if (isset($holds[$analyte])) {
                $holds[$analyte] += ($lbPerAcre[$nutrient] ?? 0.0) / $ground->level->sharedFigure("lb_{$nutrient}_a_ppm");
            }
        }

        return $holds;
    }

    /**
     * @param list<array{float, float}> $places metres east and north
     * @param list<string>|null $analytes those that are looked at; all where none are named
     *
     * @throws ValueOutOfRange without a core
     */
    public static function from(
        PracticeGround $ground,
        array $places,
        DepthLayer $layer,
        float $day,
        Chance $chance,
        ?array $analytes = null,
    ): self {
        if ($places === []) {
            throw new ValueOutOfRange('cores_of_practice', ['value' => 0, 'low' => 1]);
        }
        $holds = $meant = array_fill_keys($analytes ?? $ground->level->analytes(), 0.0);
        $short = 0;
        foreach ($places as [$east, $north]) {
            $reached = match (true) {
                $chance->happens($ground->level->figure('top_only')) => self::TOP,
                $chance->happens($ground->level->figure('short_cores')) => $chance->draw->between(self::SHORTEST, 1.0),
                default => 1.0,
            };
            $short += $reached < 1.0 ? 1 : 0;
            $bottom = $layer->topCm + $layer->thicknessCm() * $reached;
            $taken = $reached < 1.0 ? DepthLayer::ofCm($layer->topCm, $bottom) : $layer;
            foreach (array_keys($holds) as $analyte) {
                $true = $ground->at($analyte, $east, $north, $layer, $day);
                $meant[$analyte] += $true / count($places);
                $spread = $ground->level->of('core_sd', $analyte);
                $found = $reached < 1.0 ? $ground->at($analyte, $east, $north, $taken, $day) : $true;
                $core = $ground->level->isLogarithmic($analyte)
                    ? $found * exp($chance->normal(-$spread ** 2 / 2, $spread))
                    : $found + $chance->normal(0.0, $spread);
                $holds[$analyte] += $core / count($places);
            }
        }

        return new self($holds, $meant, count($places), $short);
    }
}
