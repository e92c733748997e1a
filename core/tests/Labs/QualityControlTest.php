<?php

declare(strict_types=1);

namespace HonestCore\Tests\Labs;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Labs\QualityControl;
use PHPUnit\Framework\TestCase;

final class QualityControlTest extends TestCase
{
    public function test_what_pairs_buy_is_the_chi_square_interval(): void
    {
        // R: n <- c(1, 5, 10); sqrt(n / qchisq(.975, n)); sqrt(n / qchisq(.025, n))
        foreach (
            [1 => [0.44614918, 31.91015935], 5 => [0.624208, 2.45261399], 10 => [0.69871704, 1.75493355]] as $pairs => [$low, $high]
        ) {
            $found = QualityControl::ofPairs($pairs);
            self::assertEqualsWithDelta($low, $found->low, 1e-6);
            self::assertEqualsWithDelta($high, $found->high, 1e-5);
        }
        self::assertNull(QualityControl::ofPairs(0)->low);
        self::assertStringContainsString('factor of 0.4 to 32', QualityControl::ofPairs(1)->words('the lab'));
        $this->expectException(ValueOutOfRange::class);
        QualityControl::ofPairs(-1);
    }

    public function test_one_in_ten_is_usual(): void
    {
        self::assertSame([0, 0, 1, 1, 2, 3], array_map(QualityControl::usual(...), [1, 4, 5, 12, 20, 30]));
    }

    public function test_what_is_doubled_hangs_on_the_seed_alone_and_a_larger_count_keeps_what_a_smaller_one_picked(): void
    {
        foreach ([1, 2, 3, 99] as $seed) {
            $five = QualityControl::pick(20, 5, $seed);
            self::assertCount(5, array_unique($five));
            self::assertSame([], array_diff($five, range(1, 20)));
            self::assertSame([], array_diff(QualityControl::pick(20, 3, $seed), $five));
            self::assertSame($five, QualityControl::pick(20, 5, $seed));
        }
        self::assertSame([1, 2], QualityControl::pick(2, 9, 4));
        self::assertSame([], QualityControl::pick(0, 3, 4));
    }
}
