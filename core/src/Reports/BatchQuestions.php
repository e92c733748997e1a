<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;
use HonestCore\Table\RuleTable;

/**
 * What the samples of one report say together: two that look exchanged, or all of them moved.
 *
 * Quantity and unit: each value beside what the earlier results of its own ground and the other samples of that ground in
 *   the report let expect.
 * Variant: a swap is asked about when both samples fit far better the other way round: twice the log likelihood ratio
 *   over all their series beyond what one of fifty reports of this size would show at most by chance, both ill-fitting as
 *   they stand and well-fitting exchanged. A shift is asked about when five samples or more lie, on average, further from
 *   their grounds than those grounds, and a season's own shift, would have it; samples of one ground are one witness.
 * Source: likelihood ratios of t distributions; the weighted mean of grounds with Satterthwaite's degrees of freedom; the
 *   table in data/report-rules.json.
 */
final class BatchQuestions
{
    private const LEAST = 5;

    /** Chance of an ill fit, and below which none is a good one: what lies beyond 2.5 of a normal. */
    private const ILL = 0.0124;

    private const MOST_ILL = 200;

    /**
     * @param list<BatchSample> $samples
     * @return list<Question>
     */
    public static function swaps(array $samples): array
    {
        $predictions = self::predictions($samples);
        $ill = array_slice(array_filter(array_keys($samples), static function (int $i) use ($samples, $predictions): bool {
            foreach ($predictions[$i] as $series => $prediction) {
                if ($prediction->isBeyond($samples[$i]->scaled($series), self::ILL)) {
                    return true;
                }
            }

            return false;
        }), 0, self::MOST_ILL);
        $threshold = 2 * log(max(1, (count($samples) * (count($samples) - 1)) / 2) / self::rule('swap_chance'));
        $found = [];
        foreach ($ill as $at => $i) {
            foreach (array_slice($ill, $at + 1) as $j) {
                $better = $samples[$i]->ground === $samples[$j]->ground
                    ? null
                    : self::exchanged([$samples[$i], $predictions[$i]], [$samples[$j], $predictions[$j]]);
                if ($better !== null && $better > $threshold) {
                    $found[] = [$better, self::swap($samples[$i], $samples[$j])];
                }
            }
        }
        usort($found, static fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return self::eachOnce(array_column($found, 1));
    }

    /**
     * @param list<BatchSample> $samples
     * @return list<Question>
     */
    public static function shifts(array $samples): array
    {
        $bySeries = [];
        foreach ($samples as $sample) {
            foreach (array_keys($sample->histories) as $series) {
                $bySeries[$series][$sample->ground][] = $sample;
            }
        }
        $chance = self::rule('shift_chance') / max(1, count($bySeries));
        $questions = [];
        foreach ($bySeries as $series => $grounds) {
            $codes = array_map(static fn (BatchSample $one): string => $one->code, array_merge(...array_values($grounds)));
            $moved = self::moved($series, $grounds);
            if (count($codes) >= self::LEAST && StudentT::twoSided(abs($moved['t']), $moved['df']) < $chance) {
                $questions[] = self::shift($series, $grounds, $moved['t'] > 0, $codes);
            }
        }

        return $questions;
    }

    /**
     * Where each sample is expected, by the history of its ground and by the others of its ground in the report.
     *
     * @param list<BatchSample> $samples
     * @return array<int, array<string, Prediction>>
     */
    private static function predictions(array $samples): array
    {
        $values = [];
        foreach ($samples as $sample) {
            foreach (array_keys($sample->histories) as $series) {
                $values[$sample->ground][$series][] = $sample->scaled($series);
            }
        }
        $together = array_map(static fn (array $own): array => array_map(Together::of(...), $own), $values);
        $predictions = [];
        foreach ($samples as $i => $sample) {
            $predictions[$i] = [];
            foreach ($sample->histories as $series => $history) {
                $others = $together[$sample->ground][$series]->without($sample->scaled($series));
                $predictions[$i][$series] = $history->expects($others);
            }
        }

        return $predictions;
    }

    /**
     * How much better two samples fit the other way round, as twice a log likelihood ratio; null where they do not fit ill
     * as they stand and well exchanged.
     *
     * @param array{BatchSample, array<string, Prediction>} $one
     * @param array{BatchSample, array<string, Prediction>} $other
     */
    private static function exchanged(array $one, array $other): ?float
    {
        [[$a, $ofA], [$b, $ofB]] = [$one, $other];
        [$better, $ill] = [0.0, [false, false]];
        foreach (array_keys(array_intersect_key($ofA, $ofB)) as $series) {
            [$x, $y] = [$a->scaled($series), $b->scaled($series)];
            if ($ofB[$series]->isBeyond($x, self::ILL) || $ofA[$series]->isBeyond($y, self::ILL)) {
                return null;
            }
            $ill = [
                $ill[0] || $ofA[$series]->isBeyond($x, self::ILL),
                $ill[1] || $ofB[$series]->isBeyond($y, self::ILL),
            ];
            $better += $ofA[$series]->surprise($x) + $ofB[$series]->surprise($y) -
                $ofB[$series]->surprise($x) - $ofA[$series]->surprise($y);
        }

        return $ill[0] && $ill[1] ? $better : null;
    }

    private static function swap(BatchSample $one, BatchSample $other): Question
    {
        return new Question(
            QuestionKind::Swap,
            "{$one->code} and {$other->code} look exchanged: each fits the earlier results of the other's ground far ".
                'better than of its own.',
            [$one->code, $other->code],
            array_keys(array_intersect_key($one->histories, $other->histories)),
        );
    }

    /**
     * How far the grounds lie from where they were, on average, in spreads of that average.
     *
     * @param array<string, non-empty-list<BatchSample>> $grounds
     * @return array{t: float, df: float}
     */
    private static function moved(string $series, array $grounds): array
    {
        [$sum, $weights, $spent, $season] = [0.0, 0.0, 0.0, 0.0];
        foreach ($grounds as $samples) {
            $history = $samples[0]->histories[$series];
            $values = Together::of(array_map(static fn (BatchSample $one): float => $one->scaled($series), $samples));
            [$variance, $df] = $history->within($values);
            $weight = 1 / ($variance * (1 / $values->n + 1 / $history->n));
            $sum += $weight * ($values->mean - $history->mean);
            $weights += $weight;
            $spent += $weight ** 2 / $df;
            $season = $history->seasonSd;
        }

        return ['t' => $sum / $weights / sqrt(1 / $weights + $season ** 2), 'df' => $weights ** 2 / $spent];
    }

    /**
     * @param array<string, non-empty-list<BatchSample>> $grounds
     * @param list<string> $codes
     */
    private static function shift(string $series, array $grounds, bool $up, array $codes): Question
    {
        [$ratios, $same, $analyte] = [[], 0, ''];
        foreach (array_merge(...array_values($grounds)) as $sample) {
            $history = $sample->histories[$series];
            $analyte = $history->analyte;
            $ratios[] = $sample->values[$series] / max(1e-9, $history->usual());
            $same += ($sample->scaled($series) > $history->mean) === $up ? 1 : 0;
        }
        $why = in_array($analyte, ['ph', 'buffer_ph'], true) || $ratios === []
            ? ''
            : MistakenUnit::explain($analyte, Spread::median($ratios), true);

        return new Question(
            QuestionKind::Shift,
            "{$series}: {$same} of ".
                count($codes).
                ' samples lie '.
                ($up ? 'above' : 'below').
                ' the earlier results of their ground, more than chance or a season would have it: is the whole batch '.
                'shifted?'.
                ($why === '' ? '' : ' '.ucfirst($why).'.'),
            $codes,
            [$series],
        );
    }

    private static function rule(string $name): float
    {
        $value = RuleTable::named('report-rules')[$name];

        return is_float($value) || is_int($value) ? (float) $value : throw new \LogicException("{$name} is no number.");
    }

    /**
     * A sample is asked about in one swap only, the likeliest.
     *
     * @param list<Question> $questions the likeliest first
     * @return list<Question>
     */
    private static function eachOnce(array $questions): array
    {
        [$kept, $seen] = [[], []];
        foreach ($questions as $question) {
            if (array_intersect($question->samples, $seen) === []) {
                $kept[] = $question;
                $seen = [...$seen, ...$question->samples];
            }
        }

        return $kept;
    }
}
