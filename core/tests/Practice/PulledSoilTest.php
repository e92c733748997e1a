<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Practice\Chance;
use HonestCore\Practice\PracticeGround;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Practice\PulledSoil;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Statistics\Spread;
use PHPUnit\Framework\TestCase;

/** A composite has the errors of its cores. */
final class PulledSoilTest extends TestCase
{
    public function test_cores_that_are_short_bring_too_much_of_the_top(): void
    {
        $layer = DepthLayer::ofInches(0, 6);
        foreach (PracticeLevel::names() as $name) {
            $level = PracticeLevel::named($name);
            $off = $cores = $short = [];
            for ($seed = 1; $seed <= 120; $seed++) {
                $ground = PracticeGround::made($seed, $level);
                $chance = Chance::of($seed);
                $places = [];
                for ($i = 0; $i < 15; $i++) {
                    $places[] = [$chance->draw->between(0, 200), $chance->draw->between(0, 150)];
                }
                $soil = PulledSoil::from($ground, $places, $layer, 100.0, $chance);
                self::assertSame($level->analytes(), array_keys($soil->holds));
                $off['om'][] = $soil->holds['om'] - $soil->meant['om'];
                $off['ph'][] = $soil->holds['ph'] - $soil->meant['ph'];
                $cores[] = $soil->cores;
                $short[] = $soil->short;
            }
            self::assertGreaterThan(0.0, Spread::mean($off['om']), "{$name}: organic matter lies on top");
            self::assertEqualsWithDelta(
                $level->figure('top_only') + (1 - $level->figure('top_only')) * $level->figure('short_cores'),
                array_sum($short) / array_sum($cores),
                0.04,
                $name,
            );
            self::assertEqualsWithDelta(
                1.0,
                (float) Spread::standardDeviation($off['ph']) / ($level->of('core_sd', 'ph') / sqrt(15)),
                0.25,
                "{$name}: the mean of 15 cores",
            );
        }
        $this->expectException(ValueOutOfRange::class);
        PulledSoil::from(PracticeGround::made(1, PracticeLevel::named('usual')), [], $layer, 100.0, Chance::of(1));
    }

    public function test_what_was_spread_has_acted_on_what_comes_up_next(): void
    {
        $ground = PracticeGround::made(33, PracticeLevel::named('usual'));
        $soil = PulledSoil::from($ground, [[40.0, 80.0], [60.0, 90.0]], DepthLayer::ofInches(0, 6), 270.0, Chance::of(2));
        self::assertEquals($soil, $soil->after($ground, []));
        // As much of the stone that limestone is sold as, as the ground needs of pure lime.
        $needed = $ground->limeNeeded($soil->holds['ph'], 6.5);
        $stone = ($needed * 2000) / LimeMaterial::reference()->effectiveness();
        $after = $soil->after($ground, ['lime' => $stone, 'p2o5' => 40.0, 'k2o' => 80.0]);
        self::assertEqualsWithDelta(6.5, $after->holds['ph'], 1e-9);
        self::assertEqualsWithDelta($soil->holds['p'] + 2, $after->holds['p'], 1e-9);
        self::assertEqualsWithDelta($soil->holds['k'] + 10, $after->holds['k'], 1e-9);
        self::assertSame([$soil->holds['om'], $soil->cores, $soil->short], [$after->holds['om'], $after->cores, $after->short]);
    }
}
