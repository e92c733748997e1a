<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Error\CoreError;
use HonestCore\Sampling\Bucket;
use HonestCore\Sampling\CoresNeeded;
use HonestCore\Sampling\PhMargin;
use HonestCore\Sampling\PlanWarnings;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(PhMargin::class)]
final class CoresNeededTest extends TestCase
{
    /** @return iterable<string, array{array<string, float>}> */
    public static function needed(): iterable
    {
        foreach (ReferenceData::of('statistics')['cores_needed'] as $row) {
            yield "sd {$row['sd']}, margin {$row['margin']}, R qt" => [$row];
        }
    }

    /** @param array<string, float> $row */
    #[DataProvider('needed')]
    public function test_it_is_the_number_that_r_gives(array $row): void
    {
        self::assertSame((int) $row['cores'], CoresNeeded::forMargin($row['sd'], $row['margin'], $row['confidence']));
        self::assertSame(
            (int) $row['of60'],
            CoresNeeded::forMargin($row['sd'], $row['margin'], $row['confidence'], 60),
        );
    }

    public function test_one_core_fewer_would_not_do(): void
    {
        foreach ([[0.5, 0.2, 0.95], [0.3, 0.12, 0.9]] as [$sd, $margin, $confidence]) {
            $n = CoresNeeded::forMargin($sd, $margin, $confidence);
            self::assertLessThanOrEqual($margin, CoresNeeded::marginOf($n, $sd, $confidence));
            self::assertGreaterThan($margin, CoresNeeded::marginOf($n - 1, $sd, $confidence));
        }
    }

    public function test_more_cores_buy_a_smaller_margin(): void
    {
        $before = INF;
        foreach ([3, 8, 15, 30, 60] as $cores) {
            $margin = PhMargin::of($cores);
            self::assertLessThan($before, $margin->usual);
            self::assertLessThan($margin->high, $margin->low);
            $before = $margin->usual;
        }
    }

    public function test_a_measured_spread_goes_before_the_usual_one(): void
    {
        $margin = PhMargin::of(15, 0.2);

        self::assertSame($margin->low, $margin->high);
        self::assertLessThan(PhMargin::of(15)->low, $margin->usual);
    }

    public function test_nonsense_is_refused(): void
    {
        foreach ([[-0.1, 0.2, 0.9], [0.4, 0.0, 0.9], [0.4, 0.2, 1.0], [0.4, NAN, 0.9]] as [$sd, $margin, $confidence]) {
            try {
                CoresNeeded::forMargin($sd, $margin, $confidence);
                self::fail("sd {$sd}, margin {$margin}, confidence {$confidence} was accepted");
            } catch (CoreError $error) {
                self::assertStringContainsString('must be', $error->getMessage());
            }
        }
    }

    public function test_the_bucket_warns_when_it_overflows_or_starves_the_lab(): void
    {
        self::assertStringContainsString('less than the lab', implode(' ', PlanWarnings::of(15, Bucket::holding(300))));
        self::assertStringContainsString(
            'more than a bucket',
            implode(' ', PlanWarnings::of(15, Bucket::holding(11_000))),
        );
        self::assertStringContainsString(
            'The lab and the bench together',
            implode(' ', PlanWarnings::of(15, Bucket::holding(500))),
        );
        self::assertStringContainsString(
            'Fewer than 10 cores',
            implode(' ', PlanWarnings::of(3, Bucket::holding(800))),
        );
        self::assertSame([], PlanWarnings::of(15, Bucket::holding(800)));
    }

    public function test_the_fewest_cores_keep_the_margin_within_a_tenth(): void
    {
        foreach ([2, 5, 15, 18, 40] as $planned) {
            $fewest = PhMargin::fewestFor($planned);
            self::assertLessThanOrEqual(1.1 * PhMargin::of($planned)->usual, PhMargin::of($fewest)->usual);
            self::assertTrue($fewest === 2 || PhMargin::of($fewest - 1)->usual > 1.1 * PhMargin::of($planned)->usual);
        }
        // t(17) / sqrt(18) is 0.4973 and t(15) / sqrt(16) is 0.5329: within a tenth; t(14) / sqrt(15), 0.5538, is not.
        self::assertSame(16, PhMargin::fewestFor(18));
    }
}
