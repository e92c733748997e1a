<?php

declare(strict_types=1);

namespace HonestCore\Tests\Table;

use HonestCore\Table\MetricYield;
use PHPUnit\Framework\TestCase;

final class MetricYieldTest extends TestCase
{
    /** Corn of 56 lb a bushel: 1 bushel an acre is 56 x 0.45359237 / 0.40468564224 / 1000 t/ha, as handbooks have it 0.0628. */
    public function test_a_bushel_is_what_its_grain_weighs(): void
    {
        self::assertEqualsWithDelta(0.0627674, MetricYield::each('corn'), 1e-6);
        self::assertEqualsWithDelta(0.0672508, MetricYield::each('soybean'), 1e-6);
        self::assertEqualsWithDelta(2.2417023, MetricYield::each('alfalfa'), 1e-6);
    }
}
