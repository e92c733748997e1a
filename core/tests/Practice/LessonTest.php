<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Agronomy\Lime\MehlichBuffer;
use HonestCore\Agronomy\Lime\SmpBuffer;
use HonestCore\Agronomy\Lime\SoilAcidity;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Practice\Lesson;
use HonestCore\Practice\PracticeChoices;
use HonestCore\Practice\PracticeCost;
use HonestCore\Practice\PracticeGround;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Practice\TruthMap;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Sampling\PhMargin;
use HonestCore\Simulation\Stakes;
use PHPUnit\Framework\TestCase;

/** Lessons teach what they say: on the ground that each is made on. */
final class LessonTest extends TestCase
{
    public function test_each_has_its_place_in_the_order_of_the_work(): void
    {
        $order = ['plans', 'pull', 'send', 'bench', 'reports', 'evidence', 'decide', 'prescribe'];
        self::assertCount(8, Lesson::all());
        foreach (Lesson::all() as $code => $lesson) {
            self::assertSame($code, $lesson->code);
            self::assertContains($lesson->stage, $order);
            self::assertContains($lesson->asks, ['verdict', 'program']);
            self::assertGreaterThan(0, PracticeLevel::named($lesson->level)->figure('range_m'));
        }
        $this->expectException(ValueOutOfRange::class);
        Lesson::named('none');
    }

    /** What the mistake costs on its ground, other choices being careful; limed below 6.3 to 6.5, as corn is. */
    public function test_the_mistakes_of_planning_cost_money_on_their_own_ground(): void
    {
        foreach (
            [
                'two-histories' => ['apart', new PracticeChoices(15, false)],
                'three-cores' => ['cores', new PracticeChoices(3)],
            ] as $code => [$choice, $made]
        ) {
            $lesson = Lesson::named($code);
            $ground = PracticeGround::made($lesson->seed, PracticeLevel::named($lesson->level));
            $dearest = PracticeCost::dearest($ground, $made, Stakes::of(6.3, 6.5), $lesson->seed);
            self::assertSame($choice, array_key_first($dearest), $code);
            self::assertGreaterThan(30.0, $dearest[$choice], $code);
        }
    }

    /** Figures in the words of a lesson are those of the tables that they speak of. */
    public function test_what_the_tool_is_said_to_say_is_what_it_computes(): void
    {
        $margin = static fn (int $cores): string => sprintf('± %.2f', PhMargin::of($cores)->usual);
        self::assertStringContainsString("{$margin(3)} pH, and fifteen to {$margin(15)}", Lesson::named('three-cores')->tool);
        $soil = SoilAcidity::of(5.7, 6.4);
        $times = SmpBuffer::rate($soil, 6.5)->tonsPerAcre / (MehlichBuffer::rate($soil, 6.5)->tonsPerAcre ?? NAN);
        self::assertSame(6, (int) floor($times), Lesson::named('buffer-school')->tool);
        $kit = PracticeLevel::named('usual');
        self::assertEqualsWithDelta(1 / 3, $kit->offBy('tap-water'), 0.02, Lesson::named('tap-water')->mistake);
    }

    public function test_an_average_of_seven_is_of_two_halves_that_have_none(): void
    {
        $lesson = Lesson::named('average-of-seven');
        $ground = PracticeGround::made($lesson->seed, PracticeLevel::named($lesson->level));
        $map = TruthMap::of($ground, 'ph', DepthLayer::ofInches(0, 6), 270.0, 10.0);
        $west = $map->where(static fn (float $east): bool => ! $ground->isBeyond($east));
        $east = $map->where(static fn (float $east): bool => $ground->isBeyond($east));
        $mean = static fn (float ...$values): float => array_sum($values) / count($values);
        self::assertEqualsWithDelta(7.0, $mean(...$west, ...$east), 0.2);
        self::assertLessThan(6.0, $mean(...$west));
        self::assertGreaterThan(7.5, $mean(...$east));
    }
}
