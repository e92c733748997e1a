<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\ActionMatrix;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\KnownErrors;
use HonestCore\Agreement\LabsApart;
use HonestCore\Agreement\PairedSample;
use HonestCore\Agreement\Scale;
use HonestCore\Agreement\SideMark;
use HonestCore\Reports\DuplicateLimit;
use HonestCore\Reports\SeriesUncertainty;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(SideMark::class)]
#[CoversClass(SeriesUncertainty::class)]
#[CoversClass(LabsApart::class)]
#[CoversClass(ActionMatrix::class)]
#[CoversClass(KnownErrors::class)]
final class SideMarkTest extends TestCase
{
    public function test_a_number_reaches_as_far_as_its_uncertainty(): void
    {
        $limits = ActionLimits::of([6.0]);
        $near = SideMark::ofNumber(5.9, 0.2, '5.9', $limits);
        $clear = SideMark::ofNumber(5.5, 0.2, '5.5', $limits);

        self::assertEqualsWithDelta([5.7, 6.1], [$near->from, $near->to], 1e-12);
        self::assertSame([true, null, [0, 1]], [$near->close, $near->call, $near->calls]);
        self::assertSame([false, 0, [0]], [$clear->close, $clear->call, $clear->calls]);
        $alone = SideMark::ofNumber(5.9, null, '5.9', $limits);
        self::assertSame([5.9, 5.9, 0], [$alone->from, $alone->to, $alone->call]);
        $silent = SideMark::ofNumber(5.9, 0.2, '5.9', null);
        self::assertSame([null, false, []], [$silent->call, $silent->close, $silent->calls], 'limits that hold not for it');
        self::assertSame([null, null, []], [
            SideMark::ofNumber(null, null, '', $limits)->from, SideMark::ofNumber(null, 0.2, '', $limits)->uncertainty,
            SideMark::ofNumber(null, null, '', $limits)->calls,
        ]);
    }

    public function test_a_limit_on_the_end_of_a_band_is_not_crossed_and_an_open_band_is_never_close(): void
    {
        $limits = ActionLimits::of([6.0]);
        $ends = SideMark::ofBand(new Band('5.5', 5.5, 6.0), null, $limits);
        self::assertSame([0, false], [$ends->call, $ends->close]);
        $cut = SideMark::ofBand(new Band('6', 5.5, 6.5), null, $limits);
        self::assertSame([null, true], [$cut->call, $cut->close]);
        $open = SideMark::ofBand(new Band('low', -INF, 6.5), null, $limits);
        self::assertSame([null, false, null, 6.5], [$open->call, $open->close, $open->from, $open->to]);
        $two = SideMark::ofBand(new Band('5', 4.5, 5.0), new Band('5.5', 5.0, 5.5), $limits);
        self::assertSame([4.5, 5.5, '5 to 5.5'], [$two->from, $two->to, $two->shown]);
    }

    public function test_a_result_below_a_figure_calls_where_all_that_is_below_does(): void
    {
        $limits = ActionLimits::of([6.0]);
        self::assertSame(0, SideMark::ofResult(-INF, 5.0, '<5', 'below', $limits)->call);
        self::assertNull(SideMark::ofResult(-INF, 7.0, '<7', 'below', $limits)->call);
        self::assertSame([], SideMark::ofResult(NAN, NAN, 'trace', 'trace', $limits)->calls);
        self::assertSame([], SideMark::ofResult(7.0, 5.0, '7-5', 'range', $limits)->calls, 'a range that runs backwards');
    }

    public function test_what_all_say_together(): void
    {
        $limits = ActionLimits::of([6.0]);
        $at = static fn (float $ph): SideMark => SideMark::ofNumber($ph, 0.1, '', $limits);

        self::assertSame('same', SideMark::together([$at(5.0), $at(5.5)], true));
        self::assertSame('differ', SideMark::together([$at(5.0), $at(7.0)], true));
        self::assertSame('close', SideMark::together([$at(6.0), $at(5.95)], true));
        self::assertSame('partly', SideMark::together([$at(5.0), $at(5.95)], true));
        self::assertSame('unknown', SideMark::together([], true));
        self::assertSame('unknown', SideMark::together([$at(5.0)], false));
    }

    public function test_where_an_uncertainty_comes_from(): void
    {
        $repeats = array_fill(0, 5, [6.0, 6.2]);
        $of = static function (bool $lab, ?float $stated, ?float $sampled, array $own): array {
            /** @var list<list<float>> $own */
            $found = SeriesUncertainty::of('ph', $lab, $stated, $sampled, $own);

            return [$found->from, $found->expanded];
        };

        self::assertSame(['sampling', 0.4], $of(true, 0.1, 0.4, []));
        self::assertSame(['sampling', 0.5], $of(true, 0.5, 0.4, []), 'never less than what is stated');
        self::assertSame(['stated', 0.1], $of(false, 0.1, null, $repeats));
        [$from, $expanded] = $of(false, null, null, $repeats);
        self::assertSame('repeats', $from);
        self::assertEqualsWithDelta(2 * sqrt(5 * 0.02 / 5), (float) $expanded, 1e-12, 'pooled by hand');
        self::assertSame(['unknown', null], $of(false, null, null, array_slice($repeats, 1)), 'four degrees are too few');
        self::assertSame(['usual', null], $of(true, null, null, $repeats));
        self::assertEqualsWithDelta(
            2 * DuplicateLimit::limit('p', 40, 40) / 2.8,
            (float) SeriesUncertainty::of('p', true, null, null, [])->at(40),
            1e-12,
        );
        self::assertNull(SeriesUncertainty::of('p', false, null, null, [])->at(40));
    }

    public function test_labs_apart_count_actions_and_differences(): void
    {
        $limits = ActionLimits::of([6.0]);
        $apart = LabsApart::of([[5.0, 5.2, $limits, false], [5.9, 6.1, $limits, true], [7.0, 7.1, null, true]], Scale::Absolute);

        self::assertSame([3, 1, 1], [$apart?->n, $apart?->same, $apart?->close]);
        self::assertEqualsWithDelta(0.5 / 3, (float) $apart?->differences->mean, 1e-12, 'the other less the one');
        self::assertSame(1, LabsApart::of([[0.0, 1.0, null, false], [2.0, 4.0, null, false]], Scale::Ratio)?->n);
        self::assertNull(LabsApart::of([], Scale::Absolute));
    }

    public function test_the_matrix_has_a_last_column_only_where_a_band_is_mute(): void
    {
        $pairs = [[0, 0], [0, 1], [1, null]];

        self::assertSame([[1, 1], [0, 0]], ActionMatrix::of($pairs, 2, false));
        self::assertSame([[1, 1, 0], [0, 0, 1]], ActionMatrix::of($pairs, 2, true));
    }

    public function test_the_ratio_of_errors_is_that_of_variances(): void
    {
        $samples = [
            PairedSample::numeric('a', 5.0, [5.1]),
            PairedSample::numeric('b', 6.0, [6.2]),
            PairedSample::numeric('c', 7.0, [6.9]),
        ];

        self::assertEqualsWithDelta(4.0, (float) KnownErrors::of($samples, 0.2, 0.2, Scale::Absolute)?->ratio, 1e-12);
        self::assertNull(KnownErrors::of($samples, null, 0.2, Scale::Absolute));
        self::assertNull(KnownErrors::of($samples, 0.2, 0.0, Scale::Absolute));
        self::assertNull(KnownErrors::of($samples, 0.2, 0.2, Scale::Ratio));
    }

    public function test_how_many_are_too_close_to_call(): void
    {
        $limits = ActionLimits::of([6.0]);

        self::assertSame(2, Call::countTooClose([[5.9, $limits], [5.0, $limits], [6.05, $limits]], 0.2));
    }
}
