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
        self::assertSame('2025-02-28', Retest::of('2024-02-29', '2024-02-29', ['ph'])->due);
        self::assertSame('2027-02-28', Retest::of('2024-02-29')->due);
        self::assertSame('2028-02-28', Retest::of('2027-02-28', large: true)->due);
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

    public function test_the_soonest_reason_for_a_retest_decides_and_all_are_said(): void
    {
        $why = static fn (Retest $it): array => array_column($it->reasons, 'why', 'due');
        $usual = Retest::of('2024-10-08');
        self::assertSame(['2027-10-08', ['2027-10-08' => 'Within 3 years']], [$usual->due, $why($usual)]);
        $limed = Retest::of('2024-10-08', '2024-11-20', ['ph']);
        self::assertSame('2025-10-08', $limed->due);
        self::assertSame('The pH is being corrected, and was spread', $limed->reasons[0]['why']);
        self::assertSame('2027-10-08', Retest::of('2024-10-08', null, ['ph'])->due, 'What nobody spread brings nothing forward.');
        self::assertStringContainsString('nobody noted that it was spread', Retest::of('2024-10-08', null, ['ph'])->reasons[0]['why']);
        foreach (
            [
                'A large rate was spread' => Retest::of('2024-10-08', large: true),
                'The site is new' => Retest::of('2024-10-08', newSite: true),
                'A problem was noted: yellow corner' => Retest::of('2024-10-08', problem: 'yellow corner'),
                'No phosphorus was recommended' => Retest::of('2024-10-08', noPhosphorus: true),
            ] as $said => $retest
        ) {
            self::assertSame(['2025-10-08', $said], [$retest->due, $retest->reasons[0]['why']]);
        }
    }

    public function test_no_retest_before_what_was_spread_has_had_its_time(): void
    {
        $late = Retest::of('2024-10-08', '2025-09-20', ['ph', 'p2o5']);
        self::assertSame('2025-12-19', $late->due);
        self::assertSame(
            'The pH and phosphorus are being corrected, and was spread; not before it has had 90 days',
            $late->reasons[0]['why'],
        );
    }
}
