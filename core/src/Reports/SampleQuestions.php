<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Table\RuleTable;

/**
 * What one sample's results say against one another and against what soil can be.
 *
 * Quantity and unit: each result in the home unit of its analyte (see data/analytes.json).
 * Source: the table in data/report-rules.json.
 */
final class SampleQuestions
{
    /**
     * @param array<string, AskedResult> $results by series, as "p:mehlich-3"
     * @return list<Question>
     */
    public static function of(string $sample, array $results): array
    {
        $questions = [];
        $ask = static function (QuestionKind $kind, string $words, array $series) use (&$questions, $sample): void {
            $questions[] = new Question(
                $kind,
                "{$sample}: {$words}",
                [$sample],
                array_values(array_filter($series, is_string(...))),
            );
        };
        $rules = RuleTable::named('report-rules');
        $firsts = self::firsts($results);
        self::ranges($results, $ask);
        self::texture($firsts, $ask, self::number($rules['texture_sum_off']));
        self::cations($results, $firsts, $ask, self::number($rules['bases_over_cec']));
        self::saturations(
            $firsts,
            $ask,
            self::number($rules['saturation_most']),
            self::number($rules['saturation_off']),
        );
        self::buffers($results, $firsts, $ask, self::number($rules['buffer_only_below_ph']));
        $om = $firsts['om'] ?? null;
        if ($om !== null && $om[1] > self::number($rules['organic_om']) && $om[1] <= 100) {
            $ask(
                QuestionKind::Organic,
                'organic matter of '.
                    self::shown($om[1]).
                    ' % is an organic soil: tables for mineral soils, lime among them, do not apply.',
                [$om[0]],
            );
        }

        return $questions;
    }

    /**
     * @param array<string, AskedResult> $results
     * @param callable(QuestionKind, string, list<string>): void $ask
     */
    private static function ranges(array $results, callable $ask): void
    {
        foreach ($results as $series => $result) {
            [$code, $value] = [$result->analyte, $result->value];
            $analyte = Analytes::find($code);
            if ($analyte !== null && ! $analyte->isPossible($value)) {
                $ask(
                    QuestionKind::Range,
                    "{$series} of ".
                        self::shown($value).
                        " lies outside of what soil can give ({$analyte->low} to {$analyte->high}); is the unit right?",
                    [$series],
                );
            }
        }
    }

    /**
     * @param array<string, array{string, float}> $firsts series and value by analyte
     * @param callable(QuestionKind, string, list<string>): void $ask
     */
    private static function texture(array $firsts, callable $ask, float $off): void
    {
        $shares = array_map(static fn (string $share): ?array => $firsts[$share] ?? null, ['sand', 'silt', 'clay']);
        if (in_array(null, $shares, true)) {
            return;
        }
        $sum = array_sum(array_column($shares, 1));
        if (abs($sum - 100) > $off + 1e-9) {
            $ask(
                QuestionKind::Texture,
                'sand, silt and clay add up to '.self::shown($sum).' %, not to 100.',
                array_column($shares, 0),
            );
        }
    }

    /**
     * @param array<string, AskedResult> $results
     * @param array<string, array{string, float}> $firsts series and value by analyte
     * @param callable(QuestionKind, string, list<string>): void $ask
     */
    private static function cations(array $results, array $firsts, callable $ask, float $over): void
    {
        $cec = $firsts['cec'] ?? null;
        $bases = array_values(
            array_filter(array_map(static fn (string $one): ?array => $firsts[$one] ?? null, ['k', 'ca', 'mg', 'na'])),
        );
        if ($cec === null || count($bases) < 2 || $cec[1] <= 0) {
            return;
        }
        $sum = 0.0;
        foreach ($bases as [$series, $ppm]) {
            $sum += $ppm / self::ppmPerCmol($results[$series]->analyte);
        }
        if ($sum > (1 + $over) * $cec[1]) {
            $ask(
                QuestionKind::Cations,
                'the bases add up to '.
                    self::shown($sum).
                    ' cmol/kg and the exchange capacity is '.
                    self::shown($cec[1]).
                    ': free lime, salts, or a slip of unit?',
                [...array_column($bases, 0), $cec[0]],
            );
        }
    }

    /**
     * Shares of the exchange capacity: what they add up to, and each against its base where both are reported.
     *
     * @param array<string, array{string, float}> $firsts series and value by analyte
     * @param callable(QuestionKind, string, list<string>): void $ask
     */
    private static function saturations(array $firsts, callable $ask, float $most, float $off): void
    {
        $shares = array_filter(
            array_map(static fn (string $base): ?array => $firsts["{$base}_sat"] ?? null, [
                'k' => 'k',
                'ca' => 'ca',
                'mg' => 'mg',
                'na' => 'na',
                'h' => 'h',
            ]),
        );
        $sum = array_sum(array_column($shares, 1));
        if ($sum > $most) {
            $ask(
                QuestionKind::Cations,
                'the saturations add up to '.self::shown($sum).' %, more than the whole.',
                array_values(array_column($shares, 0)),
            );
        }
        $whole = $firsts['base_sat'] ?? null;
        $bases = array_sum(array_column(array_diff_key($shares, ['h' => true]), 1));
        if ($whole !== null && isset($shares['ca'], $shares['mg'], $shares['k']) && abs($whole[1] - $bases) > $off) {
            $ask(
                QuestionKind::Cations,
                'the base saturation is given as '.
                    self::shown($whole[1]).
                    ' % and its bases add up to '.
                    self::shown($bases).
                    ' %.',
                [$whole[0], ...array_values(array_column($shares, 0))],
            );
        }
        self::eachBase($firsts, array_diff_key($shares, ['h' => true]), $ask, $off);
    }

    /**
     * Each base: its share by the report against its share by its own amount and the capacity.
     *
     * @param array<string, array{string, float}> $firsts series and value by analyte
     * @param array<string, array{string, float}> $shares
     * @param callable(QuestionKind, string, list<string>): void $ask
     */
    private static function eachBase(array $firsts, array $shares, callable $ask, float $off): void
    {
        $cec = $firsts['cec'] ?? null;
        foreach ($shares as $base => [$series, $share]) {
            $found = $firsts[$base] ?? null;
            if ($cec === null || $cec[1] <= 0 || $found === null) {
                continue;
            }
            $computed = (100 * $found[1]) / self::ppmPerCmol($base) / $cec[1];
            if (abs($computed - $share) > $off) {
                $ask(
                    QuestionKind::Cations,
                    ucfirst($base).
                        ' fills '.
                        self::shown($share).
                        ' % of the exchange capacity by the report, and '.
                        self::shown($computed).
                        ' % by its own amount and capacity.',
                    [$series, $found[0], $cec[0]],
                );
            }
        }
    }

    /**
     * @param array<string, AskedResult> $results
     * @param array<string, array{string, float}> $firsts series and value by analyte
     * @param callable(QuestionKind, string, list<string>): void $ask
     */
    private static function buffers(array $results, array $firsts, callable $ask, float $acidBelow): void
    {
        $ph = $firsts['ph'] ?? null;
        if ($ph === null) {
            return;
        }
        foreach ($results as $series => $result) {
            [$analyte, $buffer] = [$result->analyte, $result->value];
            if ($analyte !== 'buffer_ph') {
                continue;
            }
            if ($ph[1] >= $acidBelow) {
                $ask(
                    QuestionKind::Buffer,
                    'a buffer pH is given at pH '.self::shown($ph[1]).', where there is no acidity to measure.',
                    [$series, $ph[0]],
                );
            } elseif ($buffer < $ph[1] && $ph[1] < 6.2) {
                $ask(
                    QuestionKind::Buffer,
                    'the buffer pH of '.
                        self::shown($buffer).
                        ' lies below the pH of '.
                        self::shown($ph[1]).
                        '; were the columns exchanged?',
                    [$series, $ph[0]],
                );
            }
        }
    }

    private static function ppmPerCmol(string $analyte): float
    {
        return SoilUnit::toHome($analyte, 1.0, SoilUnit::named('cmol/kg'));
    }

    /**
     * The first series of each analyte.
     *
     * @param array<string, AskedResult> $results
     * @return array<string, array{string, float}> series and value by analyte
     */
    private static function firsts(array $results): array
    {
        $firsts = [];
        foreach ($results as $series => $result) {
            [$analyte, $value] = [$result->analyte, $result->value];
            $firsts[$analyte] ??= [$series, $value];
        }

        return $firsts;
    }

    private static function number(mixed $value): float
    {
        return is_numeric($value) ? (float) $value : NAN;
    }

    private static function shown(float $value): string
    {
        return rtrim(rtrim(number_format($value, 2, '.', ''), '0'), '.');
    }
}
