<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reckoner;

use HonestCore\Error\CoreError;
use HonestCore\Reckoner\ReckonerTool;
use PHPUnit\Framework\TestCase;

final class ReckonerToolTest extends TestCase
{
    public function test_every_computation_has_fields_and_a_source(): void
    {
        $codes = array_map(static fn (ReckonerTool $one): string => $one->code, ReckonerTool::all());
        self::assertSame(
            ['cores', 'volume', 'texture', 'units', 'colour', 'lime', 'sulphur', 'nutrients', 'nitrogen', 'mix', 'response', 'metals'],
            $codes,
        );
        foreach (ReckonerTool::all() as $tool) {
            self::assertNotSame([], $tool->fields(), $tool->code);
            self::assertNotSame([], $tool->sources(), $tool->code);
            foreach ($tool->sources() as $source) {
                self::assertGreaterThan(10, strlen($source));
                self::assertStringStartsNotWith('@', $source);
            }
        }
    }

    public function test_the_working_has_its_own_figures_and_leaves_out_what_is_not_there(): void
    {
        $tool = ReckonerTool::named('nitrogen');
        $by = ['legume' => 40.0, 'applied' => 0.0, 'manure' => 0.0, 'irrigation' => 0.0];
        self::assertSame(
            [
                '150 − (legume 40 + applied 0 + manure 0 + irrigation 0) = 110 lb N/acre',
                'day 0: 110 lb/acre',
            ],
            $tool->working(
                ['need' => '150', 'legume' => '40', 'psnt' => ''],
                ['lb_per_acre' => 110.0, 'credits' => $by, 'splits' => [['day' => 0.0, 'lb_per_acre' => 110.0]]],
            ),
        );
        self::assertSame(
            ['8 × (25 − 15) = 80 lb N/acre, never below 0'],
            $tool->working(['psnt' => '15'], ['lb_per_acre' => 80.0, 'credits' => null, 'splits' => null]),
        );
    }

    public function test_one_that_is_not_there_is_refused(): void
    {
        $this->expectException(CoreError::class);
        ReckonerTool::named('gold');
    }
}
