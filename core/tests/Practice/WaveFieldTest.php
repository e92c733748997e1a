<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Practice\WaveField;
use HonestCore\Sampling\Draw;
use HonestCore\Simulation\Variogram;
use HonestCore\Statistics\Spread;
use PHPUnit\Framework\TestCase;

/** A made field has the moments and the variogram asked for. */
final class WaveFieldTest extends TestCase
{
    public function test_a_field_has_mean_nothing_spread_one_and_the_variogram_asked_for(): void
    {
        $values = [];
        $semivariance = [];
        for ($seed = 1; $seed <= 120; $seed++) {
            $field = WaveField::drawn(80.0, new Draw($seed));
            $places = [];
            for ($i = 0; $i < 60; $i++) {
                [$x, $y] = [($i * 37) % 200, ($i * 53) % 150];
                $places[] = [(float) $x, (float) $y, $values[] = $field->at($x, $y)];
            }
            foreach (Variogram::of($places, 8) as $lag => $row) {
                $semivariance[$lag][] = [$row['metres'], $row['semivariance']];
            }
        }
        self::assertEqualsWithDelta(0.0, Spread::mean($values), 0.08);
        self::assertEqualsWithDelta(1.0, Spread::standardDeviation($values), 0.06);
        foreach ($semivariance as $rows) {
            $metres = Spread::mean(array_column($rows, 0));
            // Webster & Oliver 2007: sill (1 - exp(-3 h / range)).
            self::assertEqualsWithDelta(1 - exp(-3 * $metres / 80), Spread::mean(array_column($rows, 1)), 0.1, "{$metres} m");
        }
    }
}
