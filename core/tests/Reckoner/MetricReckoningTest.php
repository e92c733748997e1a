<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reckoner;

use HonestCore\Quantity\AreaRate;
use HonestCore\Reckoner\MetricReckoning;
use HonestCore\Reckoner\ReckonerTool;
use PHPUnit\Framework\TestCase;

final class MetricReckoningTest extends TestCase
{
    private static function of(string $tool): MetricReckoning
    {
        return new MetricReckoning(ReckonerTool::named($tool));
    }

    /** By hand: 56 lb of corn a bushel, so that 10 t/ha are 10 / 0.0627674 = 159.318 bushels an acre. */
    public function test_what_is_typed_goes_in_the_units_of_the_command(): void
    {
        $given = self::of('nutrients')->given(['crop' => 'corn', 'yield' => '10', 'x0' => '100', 'value' => '15']);
        self::assertEqualsWithDelta(159.3184, (float) $given['yield'], 1e-3);
        self::assertEqualsWithDelta(89.2179, (float) $given['x0'], 1e-3);
        self::assertSame('15', $given['value']);

        $nitrogen = self::of('nitrogen')->given(
            ['layer' => '0-30cm', 'irrigation-in' => '50.8', 'manure-nh4' => '3', 'manure-tons' => '10'],
        );
        self::assertSame(['0-12in', '2', '6'], [$nitrogen['layer'], $nitrogen['irrigation-in'], $nitrogen['manure-nh4']]);
        self::assertEqualsWithDelta(4.46090, (float) $nitrogen['manure-tons'], 1e-4);
        self::assertSame('20', self::of('lime')->given(['mixed-in' => '50.8'])['mixed-in']);
    }

    public function test_what_is_no_figure_is_left_for_the_command_to_refuse(): void
    {
        $given = self::of('nitrogen')->given(['layer' => '0 to 12', 'need' => 'much', 'cap' => '']);
        self::assertSame(['0 to 12', 'much', ''], [$given['layer'], $given['need'], $given['cap']]);
    }

    /** A tester who typed 60 g/m2 is not told of the 1.23 lb/100 sq ft that it became. */
    public function test_what_is_refused_is_said_in_what_was_typed(): void
    {
        self::assertSame(
            '--most: -60 is out of bounds; accepted is a number from 0 to 4882.43.',
            self::of('sulphur')->refused('--most: -12.3 is out of bounds; accepted is a number from 0 to 100.', ['most' => '-60']),
        );
        $others = ['--ph: 19 is out of bounds; accepted is 0 to 14.', '--most: "abc" is not a number; accepted is a number such as 0.25.'];
        foreach ($others as $said) {
            self::assertSame($said, self::of('sulphur')->refused($said, ['ph' => '19', 'most' => 'abc']));
        }
    }

    public function test_what_comes_out_is_turned_and_named(): void
    {
        $facts = ['depth_in' => 6.0, 'lb_per_acre' => 100.0, 'kg_per_ha' => 112.085, 'schools' => [
            ['school' => 'smp', 'product' => ['tons_per_acre' => 2.0, 'lb_per_1000sqft' => 91.827], 'interval' => [1.0, 3.0], 'now' => 2.0],
        ], 'reasons' => ['Sized for 6 in: half of 2 tons/acre.']];
        $metric = self::of('lime');
        $turned = $metric->turned($facts);
        $named = $metric->named($turned);
        self::assertEqualsWithDelta(15.24, $named['depth_cm'], 1e-9);
        self::assertEqualsWithDelta(112.085, $named['kg_per_ha'], 1e-3);
        self::assertArrayNotHasKey('lb_per_acre', $named);
        $school = $named['schools'][0];
        self::assertSame(['t_per_ha', 'g_per_m2'], array_keys($school['product']));
        self::assertEqualsWithDelta(4.48340, $school['product']['t_per_ha'], 1e-4);
        self::assertEqualsWithDelta(448.34, $school['product']['g_per_m2'], 1e-2);
        self::assertEqualsWithDelta([2.24170, 6.72511], $school['interval'], 1e-4);
        self::assertSame(['Sized for 15 cm: half of 4.48 t/ha.'], $named['reasons']);
        self::assertSame(2.0 * AreaRate::LB_PER_TON * 0.45359237 / 0.40468564224 / 1000, $turned['schools'][0]['now']);
    }

    public function test_every_tool_speaks_metric(): void
    {
        foreach (ReckonerTool::all() as $tool) {
            $words = array_map(static fn (array $one): array => [$one['label'], $one['default'], $one['example']], $tool->fields(true));
            $said = json_encode([$tool->toArray(true)['asks'], $words], JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);
            self::assertDoesNotMatchRegularExpression('#\blb\b|\bacre|, in\b|\din\b|tons|bushel|sq ft#', $said, $tool->code);
        }
    }
}
