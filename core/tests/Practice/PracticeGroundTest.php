<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Practice\PracticeGround;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Statistics\Spread;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The made ground has what was asked for: moments, likeness by distance, analytes that go together, and what people did to it. */
final class PracticeGroundTest extends TestCase
{
    private const DAY = 75.0;

    private static function layer(): DepthLayer
    {
        return DepthLayer::ofInches(0, 6);
    }

    /** @return iterable<string, array{string}> */
    public static function levels(): iterable
    {
        foreach (PracticeLevel::names() as $name) {
            yield $name => [$name];
        }
    }

    public function test_the_same_seed_makes_the_same_ground_and_another_another(): void
    {
        $level = PracticeLevel::named('usual');
        $at = static fn (int $seed): array => array_map(
            static fn (string $analyte): float => PracticeGround::made($seed, $level)->at($analyte, 40, 60, self::layer(), 100),
            $level->analytes(),
        );
        self::assertSame($at(7), $at(7));
        self::assertNotSame($at(7), $at(8));
    }

    #[DataProvider('levels')]
    public function test_analytes_go_together_as_asked(string $name): void
    {
        $level = PracticeLevel::named($name);
        $found = [];
        for ($seed = 1; $seed <= 400; $seed++) {
            $ground = PracticeGround::made($seed, $level);
            $plain = [];
            foreach ($level->analytes() as $analyte) {
                // Two places of one history, away from road, wall and strip: what all of it shares falls out.
                $of = static fn (float $east, float $north): float => $ground->at($analyte, $east, $north, self::layer(), self::DAY);
                $log = static fn (float $value): float => $level->isLogarithmic($analyte) ? log($value) : $value;
                $plain[] = $log($of(5, 140)) - $log($of(65, 140));
            }
            $found[] = $plain;
        }
        $asked = $level->correlation();
        foreach ($asked as $i => $row) {
            for ($j = 0; $j < $i; $j++) {
                self::assertEqualsWithDelta(
                    $row[$j],
                    self::correlation(self::column($found, $i), self::column($found, $j)),
                    0.16,
                    "{$level->analytes()[$i]} and {$level->analytes()[$j]}",
                );
            }
            // sd of the difference of two places: sd √(2 (1 - ρ)), ρ = exp(-3 · 60 / range).
            $spread = $level->of('sd', $level->analytes()[$i]) * sqrt(2 * (1 - exp(-180 / $level->figure('range_m'))));
            self::assertEqualsWithDelta(1.0, Spread::standardDeviation(self::column($found, $i)) / $spread, 0.12, $level->analytes()[$i]);
        }
    }

    #[DataProvider('levels')]
    public function test_people_left_their_marks(string $name): void
    {
        $level = PracticeLevel::named($name);
        [$road, $strip, $zone, $wall, $top, $season] = [[], [], [], [], [], []];
        for ($seed = 1; $seed <= 80; $seed++) {
            $ground = PracticeGround::made($seed, $level);
            $of = static fn (string $analyte, float $east, float $north, float $day = self::DAY): float => $ground->at(
                $analyte,
                $east,
                $north,
                self::layer(),
                $day,
            );
            $ph = static fn (float $east, float $north, float $day = self::DAY): float => $of('ph', $east, $north, $day);
            $road[] = $ph(60, 0) - $ph(60, 8 * $level->figure('road_m') > 149 ? 149 : 8 * $level->figure('road_m'));
            $norths = range(20, 130);
            $limed = array_values(array_filter($norths, static fn (int $north): bool => $ground->wasLimed($north)));
            if ($limed !== []) {
                $edge = $limed[0];
                $strip[] = $ph(60, $edge + 0.5) - $ph(60, $edge - 1.5);
            }
            $at = array_values(array_filter(range(0, 199), static fn (int $east): bool => $ground->isBeyond($east)))[0];
            $zone[] = $of('p', $at + 0.5, 149) / $of('p', $at - 1.5, 149);
            $most = 0.0;
            for ($east = 130; $east < 200; $east += 3) {
                for ($north = 110; $north < 146; $north += 3) {
                    $most = max($most, $of('pb', $east, $north));
                }
            }
            $wall[] = $most / $of('pb', 20, 140);
            $top[] = $ground->at('p', 60, 100, DepthLayer::ofInches(0, 2), self::DAY) / $of('p', 60, 100);
            $season[] = $ph(60, 100) - $ph(60, 100, self::DAY + 182.6);
        }
        if ($strip === []) {
            self::fail('No ground has a strip.');
        }
        self::assertGreaterThan(0.5 * $level->figure('road'), Spread::mean($road), 'dust of the road');
        self::assertEqualsWithDelta($level->figure('limed'), Spread::mean($strip), 0.12, 'the limed strip');
        self::assertEqualsWithDelta($level->of('zone', 'p'), log(Spread::median($zone)), 0.06, 'the two histories');
        self::assertGreaterThan(exp(0.7 * $level->figure('wall_lead')), Spread::median($wall), 'lead at the wall');
        self::assertGreaterThan(1.05, Spread::mean($top), 'phosphorus lies on top');
        self::assertEqualsWithDelta(2 * $level->shared('season', 'ph'), Spread::mean($season), 0.001, 'the season');
    }

    public function test_lime_lifts_the_ph_by_what_was_needed_and_never_past_lime_itself(): void
    {
        $ground = PracticeGround::made(3, PracticeLevel::named('usual'));
        foreach ([[5.2, 6.0], [5.8, 6.5], [6.2, 7.0]] as [$ph, $wanted]) {
            self::assertEqualsWithDelta($wanted, $ground->limed($ph, $ground->limeNeeded($ph, $wanted)), 1e-9);
        }
        self::assertSame(0.0, $ground->limeNeeded(6.6, 6.5));
        self::assertLessThanOrEqual(8.2, $ground->limed(6.0, 100));
        self::assertSame(6.0, $ground->limed(6.0, 0));
    }

    public function test_layers_within_the_usual_one_add_up_to_it(): void
    {
        $ground = PracticeGround::made(5, PracticeLevel::named('hard'));
        $of = static fn (float $from, float $to): float => $ground->at('ph', 50, 50, DepthLayer::ofInches($from, $to), self::DAY);
        self::assertEqualsWithDelta($of(0, 6), ($of(0, 2) * 2 + $of(2, 6) * 4) / 6, 1e-9);
    }

    public function test_what_cannot_be_ground_is_refused(): void
    {
        foreach ([[2.0, 100.0], [100.0, 9000.0], [NAN, 100.0]] as [$width, $height]) {
            try {
                PracticeGround::made(1, PracticeLevel::named('usual'), $width, $height);
                self::fail("{$width} by {$height}");
            } catch (ValueOutOfRange $refused) {
                self::assertSame('side_of_practice_ground', $refused->reason());
            }
        }
    }

    /**
     * @param non-empty-list<list<float>> $rows
     * @return non-empty-list<float>
     */
    private static function column(array $rows, int $at): array
    {
        return array_map(static fn (array $row): float => $row[$at], $rows);
    }

    /**
     * @param non-empty-list<float> $x
     * @param non-empty-list<float> $y
     */
    private static function correlation(array $x, array $y): float
    {
        [$mx, $my, $sum] = [Spread::mean($x), Spread::mean($y), 0.0];
        foreach ($x as $i => $value) {
            $sum += ($value - $mx) * ($y[$i] - $my);
        }

        return $sum / (count($x) - 1) / ((float) Spread::standardDeviation($x) * (float) Spread::standardDeviation($y));
    }
}
