<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;
use HonestCore\Simulation\Stakes;

/**
 * What choices cost on ground whose truth is known: fees, work, lime where none was needed, yield where it lacked.
 *
 * Quantity and unit: acres, US tons, hours, the user's own money; means over several seasons of the same ground, as chance would have
 * had them.
 * Variant: lime is spread by the pH of the composite that a place belongs to; what it needed is that of the place itself. Wrong money
 * as in Comparison: lime beyond need at its price, need beyond lime at the yield that is lost.
 * Domain: the same ground, choices, stakes and seed cost the same.
 */
final readonly class PracticeCost
{
    private const LATTICE = 12;

    private const SEASONS = 12;

    private const DAY = 270.0;

    /** What is kept from a road and an old wall, of the breadth of the ground. */
    private const AWAY = 0.15;

    private function __construct(
        public int $samples,
        public float $hours,
        public float $labMoney,
        public float $misplacedTons,
        public float $wrongMoney,
        public float $totalMoney,
        public float $limeMoney,
        public float $yieldMoney,
    ) {}

    /**
     * What one season did cost: what was believed of each piece of ground against what it truly is.
     *
     * @param list<array{acres: float, true: float, believed: float}> $pieces of a pH
     */
    public static function ofBeliefs(array $pieces, int $samples, float $hours, float $labMoney, Stakes $stakes): self
    {
        [$over, $short] = [0.0, 0.0];
        foreach ($pieces as $one) {
            $gap = $stakes->need($one['believed']) - $stakes->need($one['true']);
            $over += max(0.0, $gap) * $one['acres'];
            $short += max(0.0, -$gap) * $one['acres'];
        }

        return self::sum($samples, $hours, $labMoney, $over, $short, $stakes);
    }

    private static function sum(int $samples, float $hours, float $labMoney, float $over, float $short, Stakes $stakes): self
    {
        $lime = $over * $stakes->limePricePerTon;
        $yield = $stakes->tonsPerAcreAndPh > 0 ? ($short / $stakes->tonsPerAcreAndPh) * $stakes->lossPerAcreAndPh : 0.0;
        $wrong = $lime + $yield;

        return new self(
            $samples,
            $hours,
            $labMoney,
            $over + $short,
            $wrong,
            $wrong + $labMoney + $hours * $stakes->wagePerHour,
            $lime,
            $yield,
        );
    }

    public static function of(PracticeGround $ground, PracticeChoices $choices, Stakes $stakes, int $seed): self
    {
        $places = self::lattice($ground);
        $acres = ($ground->widthM * $ground->heightM) / Extent::M2_PER_ACRE / count($places);
        $samples = $choices->apart ? 2 : 1;
        [$overAll, $shortAll] = [0.0, 0.0];
        for ($season = 0; $season < self::SEASONS; $season++) {
            $chance = Chance::of($seed + $season);
            $believed = self::believed($ground, $choices, $chance);
            [$over, $short] = [0.0, 0.0];
            foreach ($places as [$beyond, $ph]) {
                $gap = $stakes->need($believed[$beyond && $choices->apart ? 1 : 0]) - $stakes->need($ph);
                $over += max(0.0, $gap);
                $short += max(0.0, -$gap);
            }
            $overAll += ($over * $acres) / self::SEASONS;
            $shortAll += ($short * $acres) / self::SEASONS;
        }
        $hours = $stakes->hours($samples * $choices->cores, $ground->widthM * $ground->heightM);
        $lab = $choices->byLab ? $samples * $stakes->labFee : 0.0;

        return self::sum($samples, $hours, $lab, $overAll, $shortAll, $stakes);
    }

    /**
     * The choices that cost most, each with what the better one would have saved by itself; those that saved something alone.
     *
     * @return array<string, float> at most three, the dearest first
     */
    public static function dearest(PracticeGround $ground, PracticeChoices $choices, Stakes $stakes, int $seed): array
    {
        $own = self::of($ground, $choices, $stakes, $seed)->totalMoney;
        $saved = [];
        foreach ($choices->betterInOne() as $choice => $better) {
            $saved[$choice] = $own - self::of($ground, $better, $stakes, $seed)->totalMoney;
        }
        $saved = array_filter($saved, static fn (float $money): bool => $money > 0);
        arsort($saved);

        return array_slice($saved, 0, 3, true);
    }

    /**
     * What one careless choice costs, over many grounds of a level, beside careful ones.
     *
     * @return array<string, array{misplaced_tons: float, money: float}> a mean ground of 200 by 150 m; careful choices first
     */
    public static function ofCarelessness(PracticeLevel $level, Stakes $stakes, int $seed, int $grounds): array
    {
        $found = [];
        foreach (['careful' => PracticeChoices::careful()] + PracticeChoices::carelessInOne() as $what => $choices) {
            [$tons, $money] = [0.0, 0.0];
            for ($i = 0; $i < $grounds; $i++) {
                $cost = self::of(PracticeGround::made($seed + $i, $level), $choices, $stakes, $seed + $i);
                $tons += $cost->misplacedTons / $grounds;
                $money += $cost->totalMoney / $grounds;
            }
            $found[$what] = ['misplaced_tons' => $tons, 'money' => $money];
        }

        return $found;
    }

    /** @return array{float, float} the pH that is believed of the ground before and beyond the line of two histories */
    private static function believed(PracticeGround $ground, PracticeChoices $choices, Chance $chance): array
    {
        $kit = new PracticeKit($ground->level, $chance);
        $lab = new PracticeLab($ground->level, $chance);
        $found = [];
        foreach ($choices->apart ? [false, true] : [null] as $beyond) {
            $cores = self::cores($ground, $choices, $beyond, $chance);
            $layer = $choices->fullDepth ? DepthLayer::ofInches(0, 6) : DepthLayer::ofInches(0, 2);
            $ph = PulledSoil::from($ground, $cores, $layer, self::DAY, $chance, ['ph'])->holds['ph'];
            $found[] = $choices->byLab ? $lab->report([$ph])[0] : $kit->read($ph, 'A', 'one', 'the day', $kit->isBroken());
        }

        return [$found[0], $found[1] ?? $found[0]];
    }

    /** @return non-empty-list<array{float, float}> */
    private static function cores(PracticeGround $ground, PracticeChoices $choices, ?bool $beyond, Chance $chance): array
    {
        $cores = [];
        while (true) {
            [$east, $north] = [$chance->draw->share() * $ground->widthM, $chance->draw->share() * $ground->heightM];
            $isFar = ! $choices->away || ($north > self::AWAY * $ground->heightM && $north < (1 - self::AWAY) * $ground->heightM);
            if ($isFar && ($beyond === null || $ground->isBeyond($east) === $beyond)) {
                $cores[] = [$east, $north];
                if (count($cores) >= $choices->cores) {
                    return $cores;
                }
            }
        }
    }

    /** @return non-empty-list<array{bool, float}> is it beyond the line, and its pH in the layer that rates are made for */
    private static function lattice(PracticeGround $ground): array
    {
        $places = [];
        for ($i = 0; $i < self::LATTICE; $i++) {
            for ($j = 0; $j < self::LATTICE; $j++) {
                [$east, $north] = [(($i + 0.5) / self::LATTICE) * $ground->widthM, (($j + 0.5) / self::LATTICE) * $ground->heightM];
                $places[] = [$ground->isBeyond($east), $ground->at('ph', $east, $north, DepthLayer::ofInches(0, 6), self::DAY)];
            }
        }

        return $places;
    }
}
