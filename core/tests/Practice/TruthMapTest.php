<?php

declare(strict_types=1);

namespace HonestCore\Tests\Practice;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Practice\PracticeGround;
use HonestCore\Practice\PracticeLevel;
use HonestCore\Practice\TruthMap;
use HonestCore\Quantity\DepthLayer;
use PHPUnit\Framework\TestCase;

final class TruthMapTest extends TestCase
{
    public function test_every_cell_holds_what_its_middle_holds(): void
    {
        $ground = PracticeGround::made(7, PracticeLevel::named('usual'));
        $layer = DepthLayer::ofInches(0, 6);
        $map = TruthMap::of($ground, 'ph', $layer, 270.0, 20.0);
        self::assertSame([10, 8], [$map->columns, $map->rows]);
        self::assertCount(80, $map->values);
        foreach ([0, 9, 10, 79] as $cell) {
            self::assertSame($map->values[$cell], $ground->at('ph', ...[...$map->place($cell), $layer, 270.0]));
        }
        self::assertSame([[10.0, 10.0], [190.0, 10.0], [10.0, 30.0]], array_map($map->place(...), [0, 9, 10]));
        $line = $ground->features()['line_m'];
        $east = $map->where(static fn (float $east): bool => $east > $line);
        $west = $map->where(static fn (float $east): bool => $east <= $line);
        self::assertCount(80, [...$east, ...$west]);
        self::assertSame([], $map->where(static fn (): bool => false));
    }

    public function test_a_step_that_is_none_is_refused(): void
    {
        $this->expectException(ValueOutOfRange::class);
        TruthMap::of(PracticeGround::made(7, PracticeLevel::named('usual')), 'ph', DepthLayer::ofInches(0, 6), 270.0, 0.0);
    }
}
