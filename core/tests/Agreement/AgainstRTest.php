<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Concordance;
use HonestCore\Agreement\Deming;
use HonestCore\Agreement\Differences;
use HonestCore\Agreement\Kappa;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\PassingBablok;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\Repeatability;
use HonestCore\Agreement\Scale;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Method comparison against R, epiR, vcd and psych: see Reference/statistics.R. */
final class AgainstRTest extends TestCase
{
    /** A shift so large that the last term of the variance weighs: epiR 2.0, epi.ccc(x, y, ci = "z-transform"). */
    public function test_concordance_of_methods_that_are_far_apart(): void
    {
        foreach (
            [
                [
                    [5, 5.4, 5.8, 6.2, 6.6, 7, 7.4, 7.8],
                    [6.1, 6.3, 6.9, 7.1, 7.8, 7.9, 8.5, 8.8],
                    [0.61257976299, 0.270058707173, 0.817473416272],
                ],
                [[1, 2, 3, 4, 5, 6], [9, 7, 12, 10, 15, 13], [0.105793450882, -0.051196382158, 0.257680931803]],
            ] as [$x, $y, $expected]
        ) {
            $found = Concordance::of(array_map(floatval(...), $x), array_map(floatval(...), $y), 0.95)->toArray();
            self::assertEqualsWithDelta($expected, [$found['ccc'], ...(array) $found['ci']], 1e-9);
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function sets(): iterable
    {
        yield 'peak flow, first readings, Bland & Altman 1986' => [
            ReferenceData::of('statistics')['bland_altman_1986'],
        ];
        yield 'peak flow, second readings' => [ReferenceData::of('statistics')['bland_altman_second']];
        yield 'forty made-up soils' => [ReferenceData::of('statistics')['soil']];
    }

    /** Bland & Altman 1986, Lancet 327:307-310: mean -2.1, SD 38.8, limits -79.7 and 75.5 L/min. */
    public function test_the_published_table_is_reproduced(): void
    {
        $set = ReferenceData::of('statistics')['bland_altman_1986'];
        $found = Differences::between(self::floats($set['reference']), self::floats($set['test']), 0.95)->toArray();

        self::assertCount(17, $set['reference']);
        self::assertEqualsWithDelta(2.1, abs($found['mean']), 0.05);
        self::assertEqualsWithDelta(38.8, $found['sd'], 0.05);
        self::assertEqualsWithDelta(2 * 1.96 * 38.8, $found['upper_limit'] - $found['lower_limit'], 0.3);
    }

    /** @param array<string, mixed> $set */
    #[DataProvider('sets')]
    public function test_differences(array $set): void
    {
        $found = Differences::between(self::floats($set['reference']), self::floats($set['test']), 0.95)->toArray();

        self::assertEqualsWithDelta($set['mean'], $found['mean'], 1e-10);
        self::assertEqualsWithDelta($set['sd'], $found['sd'], 1e-10);
        self::assertEqualsWithDelta($set['mean_ci'], $found['mean_ci'], 1e-8);
        self::assertEqualsWithDelta($set['lower_limit_ci'], $found['lower_limit_ci'], 1e-6);
        self::assertEqualsWithDelta($set['upper_limit_ci'], $found['upper_limit_ci'], 1e-6);
        self::assertEqualsWithDelta($set['trend']['slope'], $found['trend']['slope'], 1e-10);
        self::assertEqualsWithDelta($set['trend']['p'], $found['trend']['p'], 1e-9);
    }

    /** @param array<string, mixed> $set */
    #[DataProvider('sets')]
    public function test_regressions(array $set): void
    {
        [$x, $y] = [self::floats($set['reference']), self::floats($set['test'])];

        self::assertEqualsWithDelta($set['deming'], Deming::fit($x, $y)->toArray(), 1e-8);
        self::assertEqualsWithDelta($set['passing_bablok'], PassingBablok::fit($x, $y, 0.95)->toArray(), 1e-9);
    }

    /** @param array<string, mixed> $set */
    #[DataProvider('sets')]
    public function test_concordance(array $set): void
    {
        $found = Concordance::of(self::floats($set['reference']), self::floats($set['test']), 0.95)->toArray();

        self::assertEqualsWithDelta($set['ccc']['est'], $found['ccc'], 1e-10);
        self::assertEqualsWithDelta(
            $set['ccc']['ci'],
            $found['ci'],
            5e-3,
            'epiR uses 1/n and 1/(n-2) as Lin 2000 does',
        );
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function tables(): iterable
    {
        foreach (ReferenceData::of('statistics')['kappas'] as $i => $row) {
            yield "table {$i}" => [$row];
        }
    }

    /** @param array<string, mixed> $row */
    #[DataProvider('tables')]
    public function test_kappa(array $row): void
    {
        $found = Kappa::of($row['matrix']);

        self::assertEqualsWithDelta($row['unweighted'], $found->unweighted, 1e-12);
        self::assertEqualsWithDelta($row['linear'], $found->linear, 1e-12);
        self::assertEqualsWithDelta($row['quadratic'], $found->quadratic, 1e-12);
        self::assertEqualsWithDelta($row['psych_unweighted'], $found->unweighted, 1e-12);
        self::assertEqualsWithDelta($row['psych_quadratic'], $found->quadratic, 1e-12);
    }

    public function test_repeatability(): void
    {
        $set = ReferenceData::of('statistics')['repeatability'];
        $samples = array_map(
            static fn (int $i): PairedSample => PairedSample::numeric("s{$i}", (float) $set['reference'][$i], [
                (float) $set['first'][$i],
                (float) $set['second'][$i],
            ]),
            range(0, 16),
        );
        $policy = Policy::of('ph', ActionLimits::of([300.0]), 50, 50, 0.8, 0.95, Scale::Absolute);
        $found = Repeatability::of($samples, $policy);

        self::assertEqualsWithDelta($set['sd_within'], $found->sd, 1e-10);
        self::assertSame($set['df'], $found->degrees);
        self::assertEqualsWithDelta($set['ci'], $found->interval, 1e-6);
        self::assertEqualsWithDelta(1.96 * M_SQRT2 * $set['sd_within'], $found->detectableChange(), 1e-9);
    }

    /**
     * @param list<int|float> $values
     * @return list<float>
     */
    private static function floats(array $values): array
    {
        return array_map(floatval(...), $values);
    }
}
