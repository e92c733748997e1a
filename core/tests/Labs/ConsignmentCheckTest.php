<?php

declare(strict_types=1);

namespace HonestCore\Tests\Labs;

use HonestCore\Labs\ConsignmentCheck;
use HonestCore\Labs\ConsignmentPortion;
use HonestCore\Labs\LabTest;
use HonestCore\Quantity\DepthLayer;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(ConsignmentPortion::class)]
#[CoversClass(LabTest::class)]
final class ConsignmentCheckTest extends TestCase
{
    private const ARRIVES = 1_700_200_000;

    public function test_a_consignment_in_order_is_warned_of_nothing(): void
    {
        $portion = new ConsignmentPortion('A', 'dried', DepthLayer::parse('0-6in'), 400, [$this->ph()]);

        self::assertSame(
            [],
            ConsignmentCheck::warnings(
                [$portion],
                [
                    ['label' => 'Crop', 'required' => true, 'value' => 'hay'],
                    ['label' => 'Note', 'required' => false, 'value' => ''],
                ],
                '',
                self::ARRIVES,
            ),
        );
        self::assertSame([200, 1250], [$portion->needsMl(), $portion->feeCents()]);
    }

    public function test_everything_that_is_wrong_is_said(): void
    {
        $lead = new LabTest('lead', 'lead', 100, 3000, outside: 'LEAD TEST');
        $portion = new ConsignmentPortion('A', 'split', DepthLayer::parse('0-2in'), 150, [$this->ph(), $lead]);
        $found = ConsignmentCheck::warnings(
            [$portion, new ConsignmentPortion('B', 'dried', null, null, [])],
            [['label' => 'Crop', 'required' => true, 'value' => ' ']],
            'ask for a permit.',
            self::ARRIVES,
        );

        self::assertSame(
            ['volume', 'depth', 'moist', 'tests', 'form', 'outside', 'quarantine'],
            array_column($found, 'code'),
        );
        self::assertSame('A holds 150 ml; its tests need 300 ml.', $found[0]['text']);
        self::assertSame('A is soil of 0-2 in; the lab\'s calibration of pH is for 0-6 in.', $found[1]['text']);
        self::assertSame('Write on the outside of the consignment: LEAD TEST.', $found[5]['text']);
    }

    public function test_what_hurries_goes_moist_and_must_be_there_in_time(): void
    {
        $nitrate = new LabTest('nitrate', 'nitrate', 100, 1500);
        $codes = static fn (ConsignmentPortion $portion): array => array_column(
            ConsignmentCheck::warnings([$portion], [], '', self::ARRIVES),
            'code',
        );

        self::assertSame([], $codes(new ConsignmentPortion('A', 'chilled', null, 200, [$nitrate], self::ARRIVES + 60)));
        self::assertSame(['late'], $codes(new ConsignmentPortion('A', 'split', null, 200, [$nitrate], self::ARRIVES - 60)));
        self::assertSame(
            ['over'],
            $codes(new ConsignmentPortion('A', 'chilled', null, 200, [$nitrate], self::ARRIVES - 60, true)),
        );
        self::assertSame(['empty'], array_column(ConsignmentCheck::warnings([], [], '', self::ARRIVES), 'code'));
    }

    /**
     * Exactly enough is enough, half a centimetre is no other layer, and the moment of the deadline is still in time.
     */
    public function test_warnings_begin_where_they_say(): void
    {
        $codes = static fn (ConsignmentPortion ...$portions): array => array_column(
            ConsignmentCheck::warnings(array_values($portions), [], '', self::ARRIVES),
            'code',
        );
        $ph = $this->ph();
        $nitrate = new LabTest('nitrate', 'nitrate', 100, 1500);

        self::assertSame(
            [[], ['volume'], []],
            [
                $codes(new ConsignmentPortion('A', 'dried', null, 200, [$ph])),
                $codes(new ConsignmentPortion('A', 'dried', null, 199, [$ph])),
                $codes(new ConsignmentPortion('A', 'dried', null, null, [$ph])),
            ],
        );
        self::assertSame(
            [[], ['depth'], ['depth'], []],
            array_map(
                static fn (string $layer): array => $codes(
                    new ConsignmentPortion('A', 'dried', DepthLayer::parse($layer), 400, [$ph]),
                ),
                ['0-15.7cm', '0-15.8cm', '1-15cm', '0-14.8cm'],
            ),
        );
        self::assertSame(
            [[], ['late']],
            [
                $codes(new ConsignmentPortion('A', 'chilled', null, 200, [$nitrate], self::ARRIVES)),
                $codes(new ConsignmentPortion('A', 'chilled', null, 200, [$nitrate], self::ARRIVES - 1)),
            ],
        );
        self::assertSame(
            [['moist'], []],
            [
                $codes(new ConsignmentPortion('A', 'drying', null, 400, [$ph])),
                $codes(new ConsignmentPortion('A', 'drying', null, 400, [$nitrate], self::ARRIVES)),
            ],
            'what hurries goes moist',
        );
        self::assertSame(
            [],
            $codes(new ConsignmentPortion('A', 'dried', null, 400, [$ph], self::ARRIVES - 999)),
            'a deadline of what does not hurry is no matter of the consignment',
        );
        $lead = new LabTest('lead', 'lead', 10, 3000, outside: 'LEAD TEST');
        self::assertSame(
            ['outside'],
            $codes(
                new ConsignmentPortion('A', 'dried', null, 400, [$lead]),
                new ConsignmentPortion('B', 'dried', null, 400, [$lead]),
            ),
            'said once for all of them',
        );
    }

    private function ph(): LabTest
    {
        return new LabTest('ph', 'pH', 200, 1250, DepthLayer::parse('0-6in'));
    }
}
