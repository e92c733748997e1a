<?php

declare(strict_types=1);

namespace HonestCore\Tests\Custody;

use HonestCore\Custody\PullConditions;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;
use PHPUnit\Framework\TestCase;

final class PullConditionsTest extends TestCase
{
    public function test_pulled_as_planned_deviates_in_nothing(): void
    {
        $layer = DepthLayer::parse('0-6in');

        self::assertSame([], PullConditions::of()->deviations($layer, 15, 15));
        self::assertSame([], PullConditions::of(14.0, 'spade', 'moist')->deviations($layer, 15, 15));
        self::assertSame(
            [],
            PullConditions::of(28.0)->deviations(DepthLayer::parse('0-30cm'), 15, 15),
            'two centimetres are let pass',
        );
        self::assertSame(
            ['reached 27.9 cm of 30 cm'],
            PullConditions::of(27.9)->deviations(DepthLayer::parse('0-30cm'), 15, 15),
        );
        self::assertSame([], PullConditions::of()->deviations($layer, 15, 16), 'one more does no harm');
    }

    public function test_each_departure_is_said_in_words(): void
    {
        $found = PullConditions::of(11.0, 'scoop', 'wet')->deviations(DepthLayer::parse('0-15cm'), 15, 12);

        self::assertSame('12 cores of 15', $found[0]);
        self::assertSame('reached 11 cm of 15 cm', $found[1]);
        self::assertStringContainsString('not an even slice', $found[2]);
        self::assertStringContainsString('pulled wet', $found[3]);
    }

    public function test_what_is_no_tool_or_no_depth_is_refused_with_what_is_accepted(): void
    {
        foreach (
            [
                [fn () => PullConditions::of(0.0), '1 to 300 cm'],
                [fn () => PullConditions::of(NAN), '1 to 300 cm'],
                [fn () => PullConditions::of(null, 'spoon'), 'probe, auger'],
                [fn () => PullConditions::of(null, '', 'soaked'), 'dry, moist, wet'],
            ] as [$make, $words]
        ) {
            try {
                $make();
                self::fail($words);
            } catch (ValueOutOfRange $error) {
                self::assertStringContainsString($words, $error->getMessage());
            }
        }
    }
}
