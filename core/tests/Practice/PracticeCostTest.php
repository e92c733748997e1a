<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Practice\PracticeChoices;
use HonestCore\Practice\PracticeCost;
use HonestCore\Practice\PracticeGround;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Simulation\Stakes;
use HonestCore\Statistics\Spread;
use PHPUnit\Framework\TestCase;

/** What choices cost where the truth is known: careless ones cost more, and which cost most is found. */
final class PracticeCostTest extends TestCase
{
    private static function stakes(): Stakes
    {
        return Stakes::of(6.0, 6.5, ['loss_per_acre_and_ph' => 300.0]);
    }

    public function test_each_careless_choice_misplaces_lime_and_all_of_them_cost_money(): void
    {
        $level = PracticeLevel::named('usual');
        $found = PracticeCost::ofCarelessness($level, self::stakes(), 1, 60);
        self::assertSame('careful', array_key_first($found));
        foreach (['three cores', 'one composite over two histories', 'the top alone', 'a kit alone'] as $what) {
            self::assertGreaterThan($found['careful']['misplaced_tons'], $found[$what]['misplaced_tons'], $what);
        }
        $careless = Spread::mean(array_map(
            static fn (int $seed): float => PracticeCost::of(
                PracticeGround::made($seed, $level),
                new PracticeChoices(3, false, false, true, false),
                self::stakes(),
                $seed,
            )->totalMoney,
            range(1, 60),
        ));
        self::assertGreaterThan($found['careful']['money'], $careless);
    }

    public function test_the_choices_that_cost_most_are_named_the_dearest_first(): void
    {
        $careless = new PracticeChoices(3, false, false, false, false);
        $named = [];
        for ($seed = 1; $seed <= 15; $seed++) {
            $ground = PracticeGround::made($seed, PracticeLevel::named('usual'));
            $dearest = PracticeCost::dearest($ground, $careless, self::stakes(), $seed);
            self::assertLessThanOrEqual(3, count($dearest));
            $money = array_values($dearest);
            self::assertSame($money, array_reverse(array_values(array_reverse($money))));
            for ($i = 1; $i < count($money); $i++) {
                self::assertGreaterThanOrEqual($money[$i], $money[$i - 1]);
            }
            foreach (array_keys($dearest) as $choice) {
                $named[$choice] = true;
            }
            self::assertSame($dearest, PracticeCost::dearest($ground, $careless, self::stakes(), $seed), 'the same seed');
        }
        self::assertGreaterThan(2, count($named), 'not always the same');
        self::assertSame([], PracticeCost::dearest($ground, PracticeChoices::careful(), self::stakes(), 1));
    }

    public function test_fees_and_hours_are_those_of_the_comparison(): void
    {
        $ground = PracticeGround::made(2, PracticeLevel::named('gentle'));
        $stakes = self::stakes();
        $both = PracticeCost::of($ground, PracticeChoices::careful(), $stakes, 1);
        self::assertSame([2, 2 * $stakes->labFee], [$both->samples, $both->labMoney]);
        self::assertSame($stakes->hours(40, $ground->widthM * $ground->heightM), $both->hours);
        self::assertEqualsWithDelta($both->totalMoney, $both->wrongMoney + $both->labMoney + $both->hours * $stakes->wagePerHour, 1e-9);
        self::assertSame(0.0, PracticeCost::of($ground, new PracticeChoices(byLab: false), $stakes, 1)->labMoney);
    }

    /** By hand: 2 tons an acre and pH, 45 a ton, 300 an acre and pH left short; 6.0 the limit, 6.5 the aim. */
    public function test_what_one_season_cost_is_what_was_believed_against_what_is(): void
    {
        $cost = PracticeCost::ofBeliefs(
            [
                ['acres' => 2.0, 'true' => 6.4, 'believed' => 5.5],
                ['acres' => 3.0, 'true' => 5.5, 'believed' => 14.0],
                ['acres' => 4.0, 'true' => 5.7, 'believed' => 5.7],
            ],
            2,
            1.5,
            28.0,
            self::stakes(),
        );
        // Limed from 5.5 to 6.5 where nothing was needed: 2 acres of 2 tons; 3 acres that wanted 2 tons got none.
        self::assertEqualsWithDelta([4.0 * 45, 3 * 2.0 / 2 * 300], [$cost->limeMoney, $cost->yieldMoney], 1e-9);
        self::assertEqualsWithDelta(10.0, $cost->misplacedTons, 1e-9);
        self::assertEqualsWithDelta(180.0 + 900.0 + 28.0 + 1.5 * 30, $cost->totalMoney, 1e-9);
    }
}
