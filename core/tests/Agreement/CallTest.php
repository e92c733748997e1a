<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Call;
use HonestCore\Error\ValueOutOfRange;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(ValueOutOfRange::class)]
final class CallTest extends TestCase
{
    /** @return array<string, array{float, float|null, list<int>}> */
    public static function values(): array
    {
        return [
            'well below' => [5.5, 0.12, [0]],
            'reaches over' => [5.95, 0.12, [0, 1]],
            'its end lies on the limit, which belongs above' => [5.88, 0.12, [0, 1]],
            'its start lies on the limit' => [6.12, 0.12, [1]],
            'on the limit with no uncertainty' => [6.0, null, [1]],
            'reaches over both' => [6.6, 0.8, [0, 1, 2]],
        ];
    }

    /** @param list<int> $classes */
    #[DataProvider('values')]
    public function test_a_value_is_too_close_when_its_uncertainty_reaches_over_a_limit(
        float $value,
        ?float $expanded,
        array $classes,
    ): void {
        $call = Call::ofValue($value, $expanded, ActionLimits::of([6.0, 7.3]));
        self::assertSame($classes, $call->classes);
        self::assertSame(count($classes) > 1, $call->isTooClose());
        self::assertSame(count($classes) > 1 ? null : $classes[0], $call->class());
    }

    public function test_a_result_below_a_figure_is_an_interval_with_an_open_end(): void
    {
        $limits = ActionLimits::of([20.0, 40.0]);
        self::assertSame(0, Call::ofInterval(-INF, 5.0, $limits)->class());
        self::assertSame([0, 1], Call::ofInterval(-INF, 25.0, $limits)->classes);
        self::assertSame(2, Call::ofInterval(60.0, INF, $limits)->class());
        self::assertSame(20.0, Call::ofInterval(-INF, 25.0, $limits)->nearestLimit);
        self::assertSame(
            [40.0, 40.0, 20.0],
            array_map(static fn (float $middle): ?float => Call::ofValue($middle, 1.0, $limits)->nearestLimit, [
                35.0,
                90.0,
                30.0,
            ]),
            'the first of two that are as near',
        );
    }

    /** The kit that read 5.5 where the lab found 6.1, on ground for a crop that wants 4.0 to 5.5 (common practice). */
    public function test_two_results_contradict_each_other_only_where_no_class_is_shared(): void
    {
        $limits = ActionLimits::of([4.0, 5.6]);
        $kit = Call::ofInterval(5.25, 5.75, $limits);
        $lab = Call::ofValue(6.1, 0.12, $limits);
        self::assertFalse($kit->contradicts($lab), 'the band of the kit reaches over the limit');
        self::assertTrue(Call::ofValue(5.5, null, $limits)->contradicts($lab));
        self::assertTrue($lab->contradicts(Call::ofValue(5.5, null, $limits)));
    }

    public function test_what_is_no_number_is_refused(): void
    {
        $limits = ActionLimits::of([6.0]);
        foreach ([[NAN, 0.1], [INF, 0.1], [6.0, -0.1], [6.0, NAN]] as [$value, $expanded]) {
            try {
                Call::ofValue($value, $expanded, $limits);
                self::fail('accepted');
            } catch (ValueOutOfRange) {
                self::addToAssertionCount(1);
            }
        }
        $this->expectException(ValueOutOfRange::class);
        Call::ofInterval(6.0, 5.0, $limits);
    }
}
