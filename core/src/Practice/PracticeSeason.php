<?php

declare(strict_types=1);

namespace HonestCore\Practice;

use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Verdict;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Sampling\PhMargin;
use HonestCore\Statistics\Spread;

/**
 * A whole season without pages: ground is made, composites are pulled from it, split, read by a kit and measured by a lab; the kit is
 * judged, and then what was judged is held against what is true.
 *
 * Quantity and unit: pH; shares.
 * Variant: eight grounds, three composites of 15 cores a day on twelve days; the kit reads each twice, with one lot and one reader, a
 *   day being a session; the verdict is taken once, at the end. True is what would come of 400 more such composites on as many days.
 * Domain: the same seed and level give the same season.
 */
final readonly class PracticeSeason
{
    private const GROUNDS = 8;

    private const DAYS = 12;

    private const A_DAY = 3;

    private const CORES = 15;

    private const FIRST_DAY = 90;

    private const DAYS_APART = 14;

    /** Between the portions of a composite that was mixed well: common practice. */
    public const SPLIT_SD = 0.03;

    private const LATTICE = 8;

    private const WANTED = 6.5;

    private const RIGHT_TO = 0.2;

    /**
     * @param array{sort: Verdict, rate: Verdict, track: Verdict} $verdicts
     * @param array{sort: bool, rate: bool, track: bool} $true does the claim hold of the test with this lot and reader
     */
    private function __construct(
        public array $verdicts,
        public array $true,
        public int $sure,
        public int $sureAndRight,
        public int $tooClose,
        public int $tooCloseAndWrong,
        public int $sized,
        public int $sizedRight,
    ) {}

    public static function played(int $seed, PracticeLevel $level): self
    {
        $chance = Chance::of($seed);
        $grounds = [];
        for ($i = 0; $i < self::GROUNDS; $i++) {
            $grounds[] = PracticeGround::made($seed * self::GROUNDS + $i, $level);
        }
        [$kit, $lab] = [new PracticeKit($level, $chance), new PracticeLab($level, $chance)];
        $policy = DefaultPolicy::for('ph');
        $pairs = [];
        [$sure, $right, $close, $wrong, $sized, $sizedRight] = [0, 0, 0, 0, 0, 0];
        for ($day = 0; $day < self::DAYS; $day++) {
            $on = (float) (self::FIRST_DAY + $day * self::DAYS_APART);
            $pulled = [];
            for ($i = 0; $i < self::A_DAY; $i++) {
                $ground = $grounds[($day * self::A_DAY + $i) % self::GROUNDS];
                $pulled[] = [$ground, self::pull($ground, $on, $chance)];
            }
            $reported = $lab->report(array_map(static fn (array $one): float => $one[1] + $chance->normal(0.0, self::SPLIT_SD), $pulled));
            foreach ($pulled as $i => [$ground, $ph]) {
                $readings = [self::reading($kit, $ph, "{$day}", $chance), self::reading($kit, $ph, "{$day}", $chance)];
                $pairs[] = PairedSample::numeric("{$day}-{$i}", $reported[$i], $readings)->inCluster("day {$day}");
                $mean = self::meanOf($ground, $on);
                $call = Call::ofValue($reported[$i], self::expanded($lab), $policy->limits);
                $same = $policy->limits->classOf($reported[$i]) === $policy->limits->classOf($mean);
                [$sure, $right] = $call->isTooClose() ? [$sure, $right] : [$sure + 1, $right + ($same ? 1 : 0)];
                [$close, $wrong] = $call->isTooClose() ? [$close + 1, $wrong + ($same ? 0 : 1)] : [$close, $wrong];
                $needed = $ground->limeNeeded($mean, self::WANTED);
                if ($needed > 0 && $policy->limits->classOf($mean) === 0) {
                    $sized++;
                    $sizedRight += abs($ground->limeNeeded($reported[$i], self::WANTED) / $needed - 1) <= self::RIGHT_TO ? 1 : 0;
                }
            }
        }
        $judged = Assessment::of($pairs, 0, $policy, null);

        return new self(
            ['sort' => $judged->sort->verdict, 'rate' => $judged->rate->verdict, 'track' => $judged->track->verdict],
            ClaimTruth::of(
                static function (int $i) use ($grounds, $chance): float {
                    $day = self::FIRST_DAY + $chance->draw->share() * self::DAYS * self::DAYS_APART;

                    return self::pull($grounds[$i % self::GROUNDS], $day, $chance);
                },
                static fn (float $ph, int $i): float => Spread::mean([
                    self::reading($kit, $ph, "to come {$i}", $chance),
                    self::reading($kit, $ph, "to come {$i}", $chance),
                ]),
                static fn (float $ph): float => $lab->report([$ph + $chance->normal(0.0, self::SPLIT_SD)])[0],
                $level->ofTool('kit', 'repeat'),
                $policy,
            )->holds,
            $sure,
            $right,
            $close,
            $wrong,
            $sized,
            $sizedRight,
        );
    }

    private static function pull(PracticeGround $ground, float $day, Chance $chance): float
    {
        $places = [];
        for ($i = 0; $i < self::CORES; $i++) {
            $places[] = [$chance->draw->share() * $ground->widthM, $chance->draw->share() * $ground->heightM];
        }

        return PulledSoil::from($ground, $places, DepthLayer::ofInches(0, 6), $day, $chance, ['ph'])->holds['ph'];
    }

    private static function reading(PracticeKit $kit, float $ph, string $session, Chance $chance): float
    {
        return $kit->read($ph + $chance->normal(0.0, self::SPLIT_SD), 'A', 'one', $session, $kit->isBroken());
    }

    /** The mean of the whole ground, which a composite stands for. */
    private static function meanOf(PracticeGround $ground, float $day): float
    {
        $found = [];
        for ($i = 0; $i < self::LATTICE; $i++) {
            for ($j = 0; $j < self::LATTICE; $j++) {
                $found[] = $ground->at(
                    'ph',
                    (($i + 0.5) / self::LATTICE) * $ground->widthM,
                    (($j + 0.5) / self::LATTICE) * $ground->heightM,
                    DepthLayer::ofInches(0, 6),
                    $day,
                );
            }
        }

        return Spread::mean($found);
    }

    /** At 95 %: of the lab, and of the ground by so many cores as the tables have it. */
    private static function expanded(PracticeLab $lab): float
    {
        return hypot(2 * $lab->uncertainty(), PhMargin::of(self::CORES)->usual);
    }
}
