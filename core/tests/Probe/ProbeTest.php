<?php

declare(strict_types=1);

namespace HonestCore\Tests\Probe;

use HonestCore\Error\CoreError;
use HonestCore\Probe\Calibration;
use HonestCore\Probe\LoggerFile;
use HonestCore\Probe\Nernst;
use HonestCore\Probe\ProbeStream;
use HonestCore\Probe\RowTransect;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(CoreError::class)]
#[CoversClass(Calibration::class)]
#[CoversClass(LoggerFile::class)]
#[CoversClass(Nernst::class)]
#[CoversClass(ProbeStream::class)]
#[CoversClass(RowTransect::class)]
final class ProbeTest extends TestCase
{
    /** Nernst: ln(10) R T / F, 59.16 mV per pH at 25 °C; 54.20 at 0 and 58.17 at 20 °C from the same constants. */
    public function test_the_ideal_slope_of_an_electrode(): void
    {
        self::assertEqualsWithDelta(59.16, Nernst::millivoltsPerPh(25), 0.005);
        self::assertEqualsWithDelta(54.2, Nernst::millivoltsPerPh(0), 0.005);
        self::assertEqualsWithDelta(58.17, Nernst::millivoltsPerPh(20), 0.005);
        $this->expectException(CoreError::class);
        Nernst::millivoltsPerPh(INF);
    }

    public function test_slope_offset_and_residual_agree_with_r(): void
    {
        /**
         * @var list<array{mv: bool, buffers: list<float>, shown: list<float>, slope: float, at7: float,
         * residual: float}> $lines
         */
        $lines = ReferenceData::of('bench')['lines'];
        foreach ($lines as $i => $line) {
            $points = array_map(
                static fn (float|int $buffer, float|int $shown): array => [
                    'buffer' => (float) $buffer,
                    'shown' => (float) $shown,
                ],
                $line['buffers'],
                $line['shown'],
            );
            $found = Calibration::of($points, 25.0, $line['mv']);
            self::assertEqualsWithDelta($line['slope'], $found->slope, 1e-9 * 60, "line {$i}");
            self::assertEqualsWithDelta($line['at7'] - ($line['mv'] ? 0 : 7), $found->offset, 1e-8, "line {$i}");
            self::assertEqualsWithDelta($line['residual'], $found->residual, 1e-8, "line {$i}");
            self::assertEqualsWithDelta(
                (100 * $line['slope']) / ($line['mv'] ? -59.159349684782 : 1),
                $found->slopePercent,
                1e-8,
                "line {$i}",
            );
        }
    }

    /**
     * Common practice: 92 to 102 % of the ideal slope is fit for work.
     *
     * @return iterable<string, array{float, float, bool}>
     */
    public static function pens(): iterable
    {
        yield 'ideal' => [100.0, 0.0, true];
        yield 'just good' => [92.01, 0.0, true];
        yield 'just too flat' => [91.9, 0.0, false];
        yield 'just not too steep' => [101.99, 0.0, true];
        yield 'too steep' => [102.1, 0.0, false];
        yield 'far off at 7' => [97.0, 31.0, false];
        yield 'a little off at 7' => [97.0, -29.0, true];
    }

    #[DataProvider('pens')]
    public function test_limits_of_a_pen(float $percent, float $offset, bool $fit): void
    {
        $shown = static fn (float $buffer): array => [
            'buffer' => $buffer,
            'shown' => $offset - ((Nernst::millivoltsPerPh(22) * $percent) / 100) * ($buffer - 7),
        ];
        $found = Calibration::of([$shown(4.0), $shown(7.0), $shown(10.0)], 22.0, true);

        self::assertEqualsWithDelta($percent, $found->slopePercent, 1e-9);
        self::assertSame($fit, $found->isFit(), implode(' ', $found->reasons));
        self::assertSame($fit ? 0 : 1, count($found->reasons));
    }

    public function test_drift_over_a_tenth_is_too_far(): void
    {
        self::assertEqualsWithDelta(0.11, Calibration::drift(7.0, 7.11), 1e-12);
        self::assertSame(
            [false, true, true, false],
            array_map(Calibration::driftsTooFar(...), [Calibration::drift(7.0, 7.1), 0.11, -0.2, -0.1]),
        );
        $this->expectException(CoreError::class);
        Calibration::drift(7.0, NAN);
    }

    /** @return iterable<string, array{list<array{buffer: float, shown: float}>, float, string}> */
    public static function badCalibrations(): iterable
    {
        yield 'one buffer' => [[['buffer' => 7.0, 'shown' => 7.0]], 20.0, 'from 2 to 6'];
        yield 'the same twice' => [
            [['buffer' => 7.0, 'shown' => 7.0], ['buffer' => 7.2, 'shown' => 7.1]],
            20.0,
            'lie further apart',
        ];
        yield 'off the scale' => [
            [['buffer' => 4.0, 'shown' => 4.0], ['buffer' => 7.0, 'shown' => 17.0]],
            20.0,
            'from 0 to 14',
        ];
        yield 'no buffer' => [
            [['buffer' => 4.0, 'shown' => 4.0], ['buffer' => 15.0, 'shown' => 7.0]],
            20.0,
            'pH of a buffer',
        ];
        yield 'not a number' => [
            [['buffer' => 4.0, 'shown' => NAN], ['buffer' => 7.0, 'shown' => 7.0]],
            20.0,
            'the pen shows',
        ];
        yield 'boiling' => [
            [['buffer' => 4.0, 'shown' => 4.0], ['buffer' => 7.0, 'shown' => 7.0]],
            99.0,
            'from 0 to 60 °C',
        ];
    }

    /** @param list<array{buffer: float, shown: float}> $points */
    #[DataProvider('badCalibrations')]
    public function test_a_calibration_that_says_nothing_is_refused(array $points, float $celsius, string $words): void
    {
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage($words);
        Calibration::of($points, $celsius, false);
    }

    public function test_a_clean_stream_is_kept_whole(): void
    {
        $stream = $this->stream([self::line(1, 6.1), self::line(2, 6.2), self::line(3, 6.3)]);

        self::assertSame([6.1, 6.2, 6.3], array_column($stream->good(), 'value'));
        self::assertSame([], $stream->gaps());
        $summary = $stream->summary(2);
        self::assertSame([2, 20.5], [$summary['n'] ?? 0, $summary['celsius'] ?? 0]);
        self::assertEqualsWithDelta([6.25, 0.0707107], [$summary['mean'] ?? 0, $summary['sd'] ?? 0], 1e-6);
    }

    /** @return iterable<string, array{list<string>, list<float>, list<string>}> lines, values kept, kinds of gaps */
    public static function broken(): iterable
    {
        yield 'a repeat' => [
            [self::line(1, 6.1), self::line(2, 6.2), self::line(2, 6.2), self::line(3, 6.3)],
            [6.1, 6.2, 6.3],
            ['repeat'],
        ];
        yield 'rubbish' => [
            [self::line(1, 6.1), '##err', '{"n":2,"value":"x"', '[]', '{"n":2}', self::line(2, 6.2)],
            [6.1, 6.2],
            ['rubbish', 'rubbish', 'rubbish', 'rubbish'],
        ];
        yield 'off the scale' => [
            [self::line(1, 6.1), self::line(2, 61.0), self::line(3, 6.3)],
            [6.1, 6.3],
            ['rubbish', 'gap'],
        ];
        yield 'missing lines' => [[self::line(1, 6.1), self::line(5, 6.3)], [6.1, 6.3], ['gap']];
        yield 'a long pause' => [[self::line(1, 6.1), self::line(2, 6.3, 9000)], [6.1, 6.3], ['gap']];
        yield 'time runs back' => [
            [self::line(1, 6.1, 900), self::line(2, 6.2, 300), self::line(3, 6.3, 1000)],
            [6.1, 6.3],
            ['rubbish', 'gap'],
        ];
        yield 'a line without end' => [
            [self::line(1, 6.1), '{"n":2,"at_ms":500,"value":6.2,"pad":"'.str_repeat('x', 5000).'"}'],
            [6.1],
            ['rubbish'],
        ];
        yield 'deeply nested' => [[str_repeat('[', 600)], [], ['rubbish']];
        yield 'infinite' => [[self::line(1, 6.1), '{"n":2,"at_ms":500,"value":1e999}'], [6.1], ['rubbish']];
    }

    /**
     * @param list<string> $lines
     * @param list<float> $kept
     * @param list<string> $kinds
     */
    #[DataProvider('broken')]
    public function test_what_is_good_of_a_broken_stream_is_kept_and_the_rest_shown(
        array $lines,
        array $kept,
        array $kinds,
    ): void {
        $stream = $this->stream($lines);

        self::assertSame($kept, array_column($stream->good(), 'value'));
        self::assertSame($kinds, array_column($stream->gaps(), 'kind'));
        foreach ($stream->gaps() as $gap) {
            self::assertStringEndsWith('.', $gap['words']);
        }
    }

    public function test_a_stream_of_noise_never_yields_a_number_that_is_not_one(): void
    {
        mt_srand(7);
        $stream = new ProbeStream(0, 14);
        for ($i = 0; $i < 3000; $i++) {
            $bytes = '';
            for ($j = mt_rand(0, 40); $j > 0; $j--) {
                $bytes .= '{}[]":,n0123456789.eE-atmsvlu '[mt_rand(0, 29)];
            }
            $stream->take(mt_rand(0, 9) === 0 ? self::line($i, 5 + mt_rand(0, 200) / 100, 250 * $i) : $bytes);
        }
        self::assertGreaterThan(100, count($stream->good()));
        foreach ($stream->good() as $reading) {
            self::assertTrue(is_finite($reading['value']) && $reading['value'] >= 0 && $reading['value'] <= 14);
        }
        self::assertNull((new ProbeStream(0, 14))->summary(8));
    }

    public function test_the_file_of_a_logger(): void
    {
        self::assertSame(
            [
                ['row' => 2, 'portion' => 'QH26-01B-1', 'value' => 6.1, 'typed' => '6.1', 'celsius' => 20.5],
                ['row' => 4, 'portion' => 'QH26-02B-2', 'value' => 7.0, 'typed' => '7.0', 'celsius' => null],
            ],
            LoggerFile::read(
                "\xEF\xBB\xBFvalue;portion;celsius\r\n6.1;qh26-01b-1;20.5\r\n\r\n7.0;QH26-02B-2;\r\n",
                0,
                14,
            ),
        );
        foreach (
            [
                "portion,value\nA,x" => 'row 2',
                "portion,value\nA,15" => 'from 0 to 14',
                "portion,value\n,6" => 'it is empty',
                "portion\nA" => 'column value is missing',
                "portion,value,celsius\nA,6,hot" => 'no temperature',
            ] as $text => $words
        ) {
            try {
                LoggerFile::read($text, 0, 14);
                self::fail("{$text} was accepted.");
            } catch (CoreError $error) {
                self::assertStringContainsString($words, $error->getMessage());
            }
        }
    }

    /** Common practice: two readings at a place and their mean, 4 and 2 give 3 ppm. */
    public function test_a_place_reads_the_mean_of_its_readings(): void
    {
        $transect = RowTransect::of(76.2, [
            ['cm' => 0.0, 'readings' => [4.0, 2.0]],
            ['cm' => 38.1, 'readings' => [6.0]],
        ]);

        self::assertSame([3.0, 6.0], array_column($transect->places, 'mean'));
        self::assertSame([false, true], array_column($transect->places, 'alone'));
        self::assertSame(4.5, $transect->meanAcross);
        self::assertStringContainsString('a single reading where two are asked', $transect->cautions[0]);
    }

    /** Common practice: every 3 in from the row to mid-row. */
    public function test_places_lie_three_inches_apart_up_to_mid_row(): void
    {
        self::assertSame([0.0, 7.62, 15.24, 22.86, 30.48, 38.1], RowTransect::positions(76.2));
        self::assertSame(37.5, max(RowTransect::positions(75)));
    }

    /** Places crowded in the band must not count for more than the ground they stand for. */
    public function test_the_mean_across_weighs_by_distance(): void
    {
        $even = RowTransect::of(80, [
            ['cm' => 0.0, 'readings' => [10.0, 10.0]],
            ['cm' => 10.0, 'readings' => [50.0, 50.0]],
            ['cm' => 40.0, 'readings' => [10.0, 10.0]],
        ]);
        $crowded = RowTransect::of(80, [
            ['cm' => 0.0, 'readings' => [10.0, 10.0]],
            ['cm' => 9.0, 'readings' => [46.0, 46.0]],
            ['cm' => 10.0, 'readings' => [50.0, 50.0]],
            ['cm' => 40.0, 'readings' => [10.0, 10.0]],
        ]);

        self::assertEqualsWithDelta(30.0, $even->meanAcross, 1e-12);
        self::assertEqualsWithDelta(30.0, $crowded->meanAcross, 1e-12);
        self::assertStringContainsString('nitrogen lies in a band', implode(' ', $even->cautions));
    }

    /**
     * Whatever the order they are given in, the mean across is that of the broken line through the places: summed here
     * in millimetres.
     */
    public function test_the_mean_across_is_that_of_the_line_through_the_places(): void
    {
        mt_srand(71);
        for ($i = 0; $i < 40; $i++) {
            $at = array_map(
                static fn (int $k): float => 1.0 + 4.0 * $k,
                array_slice(array_values((array) array_rand(array_flip(range(0, 9)), mt_rand(2, 9))), 0),
            );
            shuffle($at);
            $places = array_map(
                static fn (float $cm): array => [
                    'cm' => $cm,
                    'readings' => [mt_rand(0, 60) * 1.0, mt_rand(0, 60) * 1.0],
                ],
                $at,
            );
            $found = RowTransect::of(80, $places);
            usort($places, static fn (array $a, array $b): int => $a['cm'] <=> $b['cm']);
            [$sum, $steps] = [0.0, 0];
            for ($mm = $places[0]['cm'] * 10 + 0.5; $mm < $places[count($places) - 1]['cm'] * 10; $mm++) {
                for ($k = 1; $places[$k]['cm'] * 10 < $mm; $k++);
                [$a, $b] = [$places[$k - 1], $places[$k]];
                $share = ($mm / 10 - $a['cm']) / max(1e-9, $b['cm'] - $a['cm']);
                $sum += ((1 - $share) * array_sum($a['readings'])) / 2 + ($share * array_sum($b['readings'])) / 2;
                $steps++;
            }
            self::assertEqualsWithDelta($sum / $steps, $found->meanAcross, 1e-9);
            self::assertSame([$places[0]['cm'], $places[count($places) - 1]['cm']], [$found->fromCm, $found->toCm]);
        }
    }

    /**
     * Each caution begins just where it says: a place from the row, a place from the middle, twice the lowest, two
     * readings.
     */
    public function test_cautions_begin_where_they_say(): void
    {
        $at = self::cautionsOf(...);
        $two = static fn (float $value): array => [$value, $value];

        self::assertSame(
            '',
            $at([[7.62, $two(10)], [20.0, $two(19.9)], [30.48, $two(10)]]),
            'a place from either end is near enough',
        );
        self::assertStringContainsString('do not reach', $at([[7.63, $two(10)], [20.0, $two(12)], [38.1, $two(10)]]));
        self::assertStringContainsString('do not reach', $at([[0.0, $two(10)], [20.0, $two(12)], [30.47, $two(10)]]));
        self::assertStringContainsString(
            'in a band',
            $at([[0.0, $two(10)], [20.0, $two(20)], [38.1, $two(10)]]),
            'twice is enough',
        );
        self::assertSame('', $at([[0.0, $two(10)], [38.1, $two(20)]]), 'of two places none is a band');
        self::assertSame('', $at([[0.0, $two(0)], [20.0, $two(0)], [38.1, $two(0)]]), 'nothing anywhere is no band');
        self::assertStringContainsString(
            '2 places have a single reading',
            $at([[0.0, [10.0]], [20.0, [11.0]], [38.1, $two(12)]]),
        );
        self::assertStringContainsString(
            'One place has a single reading',
            $at([[0.0, $two(10)], [20.0, [11.0]], [38.1, $two(12)]]),
        );
    }

    /** @param list<array{float, list<float>}> $places */
    private static function cautionsOf(array $places): string
    {
        return implode(
            ' ',
            RowTransect::of(
                76.2,
                array_map(static fn (array $place): array => ['cm' => $place[0], 'readings' => $place[1]], $places),
            )->cautions,
        );
    }

    public function test_the_ends_of_a_transect_are_accepted(): void
    {
        foreach (
            [
                [10.0, [['cm' => 5.0, 'readings' => [0.0]]]],
                [1000.0, [['cm' => 500.0, 'readings' => [500.0]]]],
                [76.2, [['cm' => 0.0, 'readings' => array_fill(0, 10, 1.0)]]],
            ] as [$spacing, $places]
        ) {
            self::assertCount(1, RowTransect::of($spacing, $places)->places);
        }
        self::assertCount(
            60,
            RowTransect::of(
                500,
                array_map(static fn (int $i): array => ['cm' => 4.0 * $i, 'readings' => [1.0, 1.0]], range(0, 59)),
            )->places,
        );
    }

    public function test_one_place_is_no_transect(): void
    {
        $one = RowTransect::of(76.2, [['cm' => 10.0, 'readings' => [12.0, 14.0]]]);

        self::assertNull($one->meanAcross);
        self::assertStringContainsString('One place is not a transect', $one->cautions[0]);
    }

    /** @return iterable<string, array{float, list<array{cm: float, readings: list<float>}>, string}> */
    public static function badTransects(): iterable
    {
        yield 'beyond mid-row' => [76.2, [['cm' => 40.0, 'readings' => [1.0]]], 'middle between the rows'];
        yield 'twice the same place' => [
            76.2,
            [['cm' => 10.0, 'readings' => [1.0]], ['cm' => 10.0, 'readings' => [2.0]]],
            'stands twice',
        ];
        yield 'no reading' => [76.2, [['cm' => 10.0, 'readings' => []]], 'from 1 to 10'];
        yield 'negative' => [76.2, [['cm' => 10.0, 'readings' => [-1.0]]], 'from 0 to 500'];
        yield 'no place' => [76.2, [], 'from 1 to 60'];
        yield 'a row too near' => [9.9, [['cm' => 0.0, 'readings' => [1.0]]], 'from 10 to 1000'];
        yield 'a row too far' => [1000.1, [['cm' => 0.0, 'readings' => [1.0]]], 'from 10 to 1000'];
        yield 'before the row' => [76.2, [['cm' => -0.1, 'readings' => [1.0]]], 'distance from the row'];
        yield 'eleven readings' => [76.2, [['cm' => 1.0, 'readings' => array_fill(0, 11, 1.0)]], 'from 1 to 10'];
        yield 'more than a probe shows' => [76.2, [['cm' => 1.0, 'readings' => [500.1]]], 'from 0 to 500'];
        yield 'no number' => [76.2, [['cm' => 1.0, 'readings' => [NAN]]], 'from 0 to 500'];
        yield 'sixty-one places' => [
            500.0,
            array_map(static fn (int $i): array => ['cm' => 4.0 * $i, 'readings' => [1.0]], range(0, 60)),
            'from 1 to 60',
        ];
        yield 'no row' => [0.0, [['cm' => 0.0, 'readings' => [1.0]]], 'row spacing'];
    }

    /** @param list<array{cm: float, readings: list<float>}> $places */
    #[DataProvider('badTransects')]
    public function test_a_transect_that_is_none_is_refused(float $spacing, array $places, string $words): void
    {
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage($words);
        RowTransect::of($spacing, $places);
    }

    private static function line(int $n, float $value, ?int $at = null): string
    {
        return (string) json_encode(['n' => $n, 'at_ms' => $at ?? 250 * $n, 'value' => $value, 'celsius' => 20.5]);
    }

    /** @param list<string> $lines */
    private function stream(array $lines): ProbeStream
    {
        $stream = new ProbeStream(0, 14);
        foreach ($lines as $line) {
            $stream->take($line);
        }

        return $stream;
    }
}
