<?php

declare(strict_types=1);

namespace HonestCore\Tests\Labs;

use HonestCore\Labs\LabTest;
use HonestCore\Labs\ParcelCheck;
use HonestCore\Labs\ParcelPortion;
use HonestCore\Sampling\DepthLayer;
use PHPUnit\Framework\TestCase;

final class ParcelCheckTest extends TestCase
{
    private const ARRIVES = 1_700_200_000;

    public function test_a_parcel_in_order_is_warned_of_nothing(): void
    {
        $portion = new ParcelPortion('A', 'dried', DepthLayer::parse('0-6in'), 400, [$this->ph()]);

        self::assertSame([], ParcelCheck::warnings([$portion], [['label' => 'Crop', 'required' => true, 'value' => 'hay'], ['label' => 'Note', 'required' => false, 'value' => '']], '', self::ARRIVES));
        self::assertSame([200, 1250], [$portion->needsMl(), $portion->feeCents()]);
    }

    public function test_everything_that_is_wrong_is_said(): void
    {
        $lead = new LabTest('lead', 'lead', 100, 3000, outside: 'LEAD TEST');
        $portion = new ParcelPortion('A', 'split', DepthLayer::parse('0-2in'), 150, [$this->ph(), $lead]);
        $found = ParcelCheck::warnings([$portion, new ParcelPortion('B', 'dried', null, null, [])], [['label' => 'Crop', 'required' => true, 'value' => ' ']], 'ask for a permit.', self::ARRIVES);

        self::assertSame(['volume', 'depth', 'moist', 'tests', 'form', 'outside', 'quarantine'], array_column($found, 'code'));
        self::assertSame('A holds 150 ml; its tests need 300 ml.', $found[0]['text']);
        self::assertSame('A is soil of 0-2 in; the lab\'s calibration of pH is for 0-6 in.', $found[1]['text']);
        self::assertSame('Write on the outside of the parcel: LEAD TEST.', $found[5]['text']);
    }

    public function test_what_hurries_goes_moist_and_must_be_there_in_time(): void
    {
        $nitrate = new LabTest('nitrate', 'nitrate', 100, 1500);
        $codes = static fn (ParcelPortion $portion): array => array_column(ParcelCheck::warnings([$portion], [], '', self::ARRIVES), 'code');

        self::assertSame([], $codes(new ParcelPortion('A', 'chilled', null, 200, [$nitrate], self::ARRIVES + 60)));
        self::assertSame(['late'], $codes(new ParcelPortion('A', 'split', null, 200, [$nitrate], self::ARRIVES - 60)));
        self::assertSame(['over'], $codes(new ParcelPortion('A', 'chilled', null, 200, [$nitrate], self::ARRIVES - 60, true)));
        self::assertSame(['empty'], array_column(ParcelCheck::warnings([], [], '', self::ARRIVES), 'code'));
    }

    private function ph(): LabTest
    {
        return new LabTest('ph', 'pH', 200, 1250, DepthLayer::parse('0-6in'));
    }
}
