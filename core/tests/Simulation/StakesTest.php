<?php

declare(strict_types=1);

namespace HonestCore\Tests\Simulation;

use HonestCore\Error\CoreError;
use HonestCore\Geometry\LocalPlane;
use HonestCore\Simulation\LocatedResults;
use HonestCore\Simulation\Stakes;
use HonestCore\Simulation\Variogram;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a comparison of schemes starts from, by hand. */
final class StakesTest extends TestCase
{
    /** Lime up to the target where the pH lies below the limit, and none from the limit on. */
    public function test_lime_is_needed_below_the_limit_and_up_to_the_target(): void
    {
        $stakes = Stakes::of(6.0, 6.5, ['tons_per_acre_and_ph' => 3.0]);
        self::assertEqualsWithDelta(
            [4.5, 1.53, 0.0, 0.0, 0.0],
            array_map($stakes->need(...), [5.0, 5.99, 6.0, 6.3, 8.0]),
            1e-12,
        );
        self::assertSame(0.0, Stakes::of(6.0, 6.0)->need(6.0));
    }

    /** @return iterable<string, array{string, float}> */
    public static function given(): iterable
    {
        yield 'error of the lab' => ['lab_sd_ph', 0.11];
        yield 'tons' => ['tons_per_acre_and_ph', 1.5];
        yield 'price' => ['lime_price_per_ton', 71.0];
        yield 'fee' => ['lab_fee', 22.0];
        yield 'wage' => ['wage_per_hour', 41.0];
        yield 'loss' => ['loss_per_acre_and_ph', 5.0];
        yield 'speed' => ['speed_km_per_h', 2.5];
        yield 'seconds' => ['seconds_per_core', 61.0];
        yield 'nothing at all' => ['lab_fee', 0.0];
    }

    /** What is given takes the place of its own usual figure and of no other. */
    #[DataProvider('given')]
    public function test_what_is_given_replaces_just_that(string $key, float $value): void
    {
        $properties = [
            'lab_sd_ph' => 'labSdPh',
            'tons_per_acre_and_ph' => 'tonsPerAcreAndPh',
            'lime_price_per_ton' => 'limePricePerTon',
            'lab_fee' => 'labFee',
            'wage_per_hour' => 'wagePerHour',
            'loss_per_acre_and_ph' => 'lossPerAcreAndPh',
            'speed_km_per_h' => 'speedKmPerH',
            'seconds_per_core' => 'secondsPerCore',
        ];
        $all = static fn (Stakes $stakes): array => get_object_vars($stakes);
        $changed = array_diff_assoc($all(Stakes::of(6.0, 6.5, [$key => $value])), $all(Stakes::of(6.0, 6.5)));

        self::assertSame([$properties[$key] => $value], $changed);
    }

    public function test_each_figure_that_is_none_is_refused_by_its_name(): void
    {
        foreach (
            [
                'lab_sd_ph',
                'tons_per_acre_and_ph',
                'lime_price_per_ton',
                'lab_fee',
                'wage_per_hour',
                'loss_per_acre_and_ph',
                'speed_km_per_h',
                'seconds_per_core',
            ] as $key
        ) {
            foreach ([-0.01, NAN, INF] as $value) {
                try {
                    Stakes::of(6.0, 6.5, [$key => $value]);
                    self::fail("{$key} of {$value} was accepted");
                } catch (CoreError $error) {
                    self::assertStringContainsString($key, $error->getMessage());
                }
            }
        }
        $this->expectExceptionMessage('at or above the limit of 6');
        Stakes::of(6.0, 5.99);
    }

    /**
     * Four places on a line, 10 m apart, with values 1, 2, 4 and 7: distances up to half of 30 m in three lags of 5
     * m. Only the pairs that are 10 m apart lie in them: half the mean of 1, 4 and 9.
     */
    public function test_a_variogram_of_a_line(): void
    {
        $line = [[0.0, 0.0, 1.0], [10.0, 0.0, 2.0], [20.0, 0.0, 4.0], [30.0, 0.0, 7.0]];
        self::assertEquals(
            [['metres' => 10.0, 'semivariance' => (1 + 4 + 9) / 2 / 3, 'pairs' => 3]],
            Variogram::of($line, 3),
        );
        self::assertSame([], Variogram::of([[1.0, 1.0, 5.0], [1.0, 1.0, 6.0]], 3), 'one place has no distance');
        self::assertSame([], Variogram::of([], 3));
        $square = Variogram::of([[0.0, 0.0, 0.0], [0.0, 10.0, 2.0], [10.0, 0.0, 4.0], [100.0, 100.0, 9.0]], 7);
        self::assertSame([2, 1], array_column($square, 'pairs'), 'sides of the corner, and across it');
        self::assertEqualsWithDelta([10.0, hypot(10, 10)], array_column($square, 'metres'), 1e-12);
        self::assertEqualsWithDelta([(4 + 16) / 2 / 2, 2.0], array_column($square, 'semivariance'), 1e-12);
    }

    public function test_three_results_are_enough_and_places_keep_their_order(): void
    {
        $plane = new LocalPlane(10, 50);
        $rows = array_map(
            static fn (array $p): string => implode(
                ',',
                array_map(static fn (float $one): string => number_format($one, 9, '.', ''), $plane->toDegrees($p)),
            ),
            [[0.0, 0.0], [40.0, 0.0], [0.0, 25.0]],
        );
        $found = LocatedResults::parse("longitude,latitude,ph\n{$rows[0]},5.5\n{$rows[1]},6\n{$rows[2]},7.25\n", $plane)
            ->values;
        self::assertEqualsWithDelta([[0.0, 0.0, 5.5], [40.0, 0.0, 6.0], [0.0, 25.0, 7.25]], $found, 1e-3);
        foreach (
            [
                "{$rows[0]},5.5\n{$rows[1]},6\n" => '2 results are too few',
                "{$rows[0]},5.5\n{$rows[1]},\n{$rows[2]},6\n" => 'row 3',
                "{$rows[0]},5.5\n200,50,6\n{$rows[2]},6\n" => 'row 3',
            ] as $text => $words
        ) {
            try {
                LocatedResults::parse("longitude,latitude,ph\n{$text}", $plane);
                self::fail($words);
            } catch (CoreError $error) {
                self::assertStringContainsString($words, $error->getMessage());
            }
        }
    }
}
