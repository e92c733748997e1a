<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agronomy;

use HonestCore\Agronomy\AreaName;
use HonestCore\Agronomy\Crop;
use HonestCore\Agronomy\Retest;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

#[CoversClass(AreaName::class)]
#[CoversClass(Crop::class)]
#[CoversClass(Retest::class)]
final class NamesAndDatesTest extends TestCase
{
    #[TestWith(['1'])]
    #[TestWith(['12-3'])]
    #[TestWith(['#4'])]
    #[TestWith(['field 1'])]
    #[TestWith(['Field1'])]
    #[TestWith(['PLOT-07'])]
    #[TestWith(['area b'])]
    #[TestWith(['ab'])]
    public function test_a_name_nobody_will_find_again_is_questioned(string $name): void
    {
        self::assertNotNull(AreaName::question($name));
    }

    #[TestWith(['north-west pasture'])]
    #[TestWith(['Terrace beds above the house'])]
    #[TestWith(['Field behind the mill'])]
    #[TestWith(['Beds 1 to 4 by the pump'])]
    public function test_a_name_that_lasts_is_not(string $name): void
    {
        self::assertNull(AreaName::question($name));
    }

    public function test_correcting_asks_again_after_a_year_else_after_three(): void
    {
        $last = new \DateTimeImmutable('2024-02-29');

        self::assertSame('2025-02-28', Retest::due($last, true)->format('Y-m-d'));
        self::assertSame('2027-02-28', Retest::due($last, false)->format('Y-m-d'));
    }

    public function test_every_crop_wants_a_target_within_its_limits(): void
    {
        foreach (Crop::all() as $crop) {
            self::assertGreaterThanOrEqual($crop->low, $crop->target, $crop->code);
            self::assertLessThanOrEqual($crop->high, $crop->target, $crop->code);
        }
    }

    public function test_a_teams_own_limits_move_the_target_only_when_they_must(): void
    {
        $crop = Crop::of('pasture');

        self::assertSame($crop->target, $crop->within(6.2, 7.0)->target);
        self::assertSame(6.8, $crop->within(6.8, 7.4)->target);
        $this->expectException(CoreError::class);
        $crop->within(7.0, 6.0);
    }

    public function test_an_unknown_use_is_refused_with_the_known_ones(): void
    {
        $this->expectExceptionMessageMatches('/accepted are vegetables, /');

        Crop::of('parking');
    }
}
