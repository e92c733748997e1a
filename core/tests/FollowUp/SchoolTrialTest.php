<?php

declare(strict_types=1);

namespace HonestCore\Tests\FollowUp;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\FollowUp\SchoolTrial;
use HonestCore\FollowUp\TriedProgram;
use HonestCore\Program\LocalFactor;
use HonestCore\Tests\Dice;
use HonestCore\Tests\Program\Made;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** Schools against the ground: bias, spread and factor against R (Reference/follow_up.R), and the rule of data/follow-up.json. */
#[CoversClass(SchoolTrial::class)]
#[CoversClass(TriedProgram::class)]
#[CoversClass(LocalFactor::class)]
final class SchoolTrialTest extends TestCase
{
    public function test_bias_spread_and_factor_agree_with_another_program(): void
    {
        /**
         * @var list<array{expected: list<float>, observed: list<float>, bias: float, bias_interval: array{float, float}, sd: float,
         *     sd_interval: array{float, float}, factor: float, factor_interval: array{float, float}, error: float,
         *     error_with_factor: float}> $cases
         */
        $cases = ReferenceData::of('follow_up')['schools'];
        foreach ($cases as $case) {
            $found = SchoolTrial::of('smp', self::tried($case['expected'], $case['observed']));
            self::assertEqualsWithDelta(
                [
                    $case['bias'], ...$case['bias_interval'], $case['sd'], ...$case['sd_interval'], $case['factor'],
                    ...$case['factor_interval'], $case['error'], $case['error_with_factor'],
                ],
                [
                    $found->bias, ...$found->biasInterval ?? [], $found->sd, ...$found->sdInterval ?? [], $found->factor,
                    ...$found->factorInterval ?? [], $found->error, $found->errorWithFactor,
                ],
                1e-8,
            );
        }
    }

    public function test_one_program_is_no_evidence_and_none_is_none(): void
    {
        $one = SchoolTrial::of('smp', self::tried([0.8], [0.5]));
        self::assertSame([1, null, null, null], [$one->programs, $one->biasInterval, $one->factorInterval, $one->errorWithFactor]);
        self::assertNull($one->offered());
        self::assertSame([0, null], [SchoolTrial::of('smp', [])->programs, SchoolTrial::of('smp', [])->bias]);
    }

    public function test_a_factor_is_offered_from_the_eighth_program_of_two_seasons_on_and_not_before(): void
    {
        $expected = [0.5, 0.6, 0.7, 0.8, 0.9, 1.0, 0.55, 0.75];
        $observed = array_map(static fn (float $one, int $i): float => 0.7 * $one + 0.01 * ($i % 3 - 1), $expected, array_keys($expected));
        $whole = SchoolTrial::of('smp', self::tried($expected, $observed));
        self::assertSame([], $whole->missing);
        self::assertEqualsWithDelta(0.7, $whole->offered()?->factor, 0.02);
        $seven = SchoolTrial::of('smp', self::tried(array_slice($expected, 0, 7), array_slice($observed, 0, 7)));
        self::assertSame(['7 of 8 programs answered beside a control.'], $seven->missing);
        self::assertNull($seven->offered());
        self::assertSame(['1 of 2 seasons.'], SchoolTrial::of('smp', self::tried($expected, $observed, 1))->missing);
        self::assertContains('Its interval does not leave 1 out.', SchoolTrial::of('smp', self::tried($expected, $expected))->missing);
        $third = SchoolTrial::of('smp', self::tried($expected, array_map(static fn (float $one): float => $one / 3, $observed)));
        self::assertSame(['The factor does not lie between 0.5 and 2.'], $third->missing);
    }

    /** A school that is right is offered a factor seldom: less often than its interval leaves 1 out. */
    public function test_a_right_school_is_seldom_corrected(): void
    {
        [$dice, $offered] = [new Dice(31), 0];
        for ($i = 0; $i < 500; $i++) {
            $expected = array_map(static fn (): float => 0.4 + 0.6 * $dice->share(), range(1, 10));
            $observed = array_map(static fn (float $one): float => $one + 0.15 * $dice->normal(), $expected);
            $offered += SchoolTrial::of('smp', self::tried($expected, $observed))->offered() === null ? 0 : 1;
        }
        self::assertLessThan(0.05, $offered / 500);
    }

    public function test_a_factor_in_use_changes_the_rate_of_its_school_and_prints(): void
    {
        $part = Made::part();
        $plain = Made::program($part)->line('lime');
        $factor = LocalFactor::fromRow(['school' => 'mehlich', 'factor' => 0.8, 'programs' => 9, 'interval' => [0.7, 0.9]]);
        self::assertNotNull($plain);
        $line = LocalFactor::all([$factor], $plain);
        self::assertEqualsWithDelta(min(8000.0, (float) $plain->lbPerAcre / 0.8), (float) $line->lbPerAcre, 1e-9);
        self::assertStringContainsString('Local factor 0.8: on your ground this school reached 80 %', implode(' ', $line->reasons));
        self::assertEquals($plain->expects, $line->expects, 'What the school itself had said stays what it is held against.');
        $other = LocalFactor::fromRow(['school' => 'smp', 'factor' => 0.8, 'programs' => 9, 'interval' => [0.7, 0.9]]);
        self::assertSame($plain, LocalFactor::all([$other], $plain), 'A factor is of one school.');
    }

    public function test_what_the_crop_removes_is_not_divided_and_lime_stays_within_one_dressing(): void
    {
        $factor = LocalFactor::fromRow(['school' => 'build-p', 'factor' => 0.5, 'programs' => 9, 'interval' => [0.4, 0.6]]);
        self::assertSame([90.0, 40.0], [$factor->rate(70, 50), $factor->rate(40, 50)]);
        $lime = LocalFactor::fromRow(['school' => 'mehlich', 'factor' => 0.5, 'programs' => 9, 'interval' => [0.4, 0.6]]);
        $line = Made::program(Made::part(4.9, ['mehlich' => 5.4]))->line('lime');
        self::assertNotNull($line);
        self::assertLessThanOrEqual(8000.0, LocalFactor::all([$lime], $line)->lbPerAcre);
        $rest = null;
        foreach (Made::program(Made::part(4.9, ['mehlich' => 5.4]))->steps['ph'] as $one) {
            $rest = $one->what === 'Lime, the rest' ? LocalFactor::all([$lime], $one) : $rest;
        }
        self::assertStringContainsString('which will divide it too', implode(' ', $rest->reasons ?? []));
        self::assertNull($rest?->lbPerAcre);
        self::assertSame(INF, $factor->most());
        $this->expectException(ValueOutOfRange::class);
        LocalFactor::fromRow(['school' => 'smp', 'factor' => 2.5, 'programs' => 9, 'interval' => [2, 3]]);
    }

    /**
     * @param list<float> $expected
     * @param list<float> $observed
     * @return list<TriedProgram>
     */
    private static function tried(array $expected, array $observed, int $seasons = 2): array
    {
        return array_map(
            static fn (int $i, float $one, float $other): TriedProgram => new TriedProgram(
                $i, 'smp', $one, $other, 0.1, 'loam', 2024 + $i % $seasons,
            ),
            array_keys($expected),
            $expected,
            $observed,
        );
    }
}
