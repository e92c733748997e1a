<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Statistics\Normal;
use HonestCore\Statistics\Spread;
use HonestCore\Table\RuleTable;

/**
 * What the samples of one report say together: two that look exchanged, or all of them moved.
 *
 * Quantity and unit: each value beside the earlier results of its own area, in spreads of a prediction.
 * Variant: a swap is asked about when both samples fit far better the other way round: twice the log likelihood ratio
 *   over all their series beyond what one of a thousand reports of this size would show by chance, both ill-fitting as
 *   they stand and well-fitting exchanged. A shift is asked about when the mean of the standardised values of five
 *   samples or more is as far from 0.
 * Source: likelihood ratios of normal distributions; the table in data/report-rules.json.
 */
final class BatchQuestions
{
    private const LEAST = 5;

    private const ILL = 2.5;

    private const WELL = 2.5;

    /**
     * @param list<array{key: string, group: string, results: array<string, array{value: float,
     *     history: SeriesHistory}>}> $samples group names the area
     * @return list<Question>
     */
    public static function swaps(array $samples): array
    {
        $pairs = max(1, (count($samples) * (count($samples) - 1)) / 2);
        /** @var float $chance */
        $chance = RuleTable::named('report-rules')['chance'];
        $threshold = 2 * log($pairs / $chance);
        $found = [];
        foreach ($samples as $i => $one) {
            foreach (array_slice($samples, $i + 1) as $other) {
                $series = array_keys(array_intersect_key($one['results'], $other['results']));
                if ($one['group'] === $other['group'] || $series === []) {
                    continue;
                }
                [$own, $exchanged, $ill, $well] = [0.0, 0.0, [0.0, 0.0], 0.0];
                foreach ($series as $name) {
                    [$a, $b] = [$one['results'][$name], $other['results'][$name]];
                    [$za, $zb, $xa, $xb] = [
                        $a['history']->z($a['value']),
                        $b['history']->z($b['value']),
                        $b['history']->z($a['value']),
                        $a['history']->z($b['value']),
                    ];
                    $own += $za ** 2 + $zb ** 2;
                    $exchanged += $xa ** 2 + $xb ** 2;
                    $ill = [max($ill[0], abs($za)), max($ill[1], abs($zb))];
                    $well = max($well, abs($xa), abs($xb));
                }
                if ($own - $exchanged > $threshold && min($ill) > self::ILL && $well < self::WELL) {
                    $found[] = [
                        $own - $exchanged,
                        new Question(
                            QuestionKind::Swap,
                            "{$one['key']} and {$other['key']} look exchanged: each fits the earlier results of ".
                                "the other's ground far better than of its own.",
                            [$one['key'], $other['key']],
                            $series,
                        ),
                    ];
                }
            }
        }
        usort($found, static fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return self::eachOnce(array_column($found, 1));
    }

    /**
     * @param list<array{key: string, group: string, results: array<string, array{value: float,
     *     history: SeriesHistory}>}> $samples
     * @return list<Question>
     */
    public static function shifts(array $samples): array
    {
        /** @var float $chance */
        $chance = RuleTable::named('report-rules')['chance'];
        [$bySeries, $ratios, $analytes] = [[], [], []];
        foreach ($samples as $sample) {
            foreach ($sample['results'] as $series => $result) {
                $analytes[$series] = $result['history']->analyte;
                $ratios[$series][] = $result['value'] / max(1e-9, $result['history']->usual());
                $bySeries[$series][$sample['key']] = $result['history']->z($result['value']);
            }
        }
        $questions = [];
        foreach ($bySeries as $series => $z) {
            $mean = array_sum($z) / count($z);
            if (count($z) >= self::LEAST && abs($mean) * sqrt(count($z)) > Normal::quantile(1 - $chance / 2)) {
                $side = $mean > 0 ? 'above' : 'below';
                $why = in_array($analytes[$series], ['ph', 'buffer_ph'], true)
                    ? ''
                    : MistakenUnit::explain($analytes[$series], Spread::median($ratios[$series]), true);
                $same = count(array_filter($z, static fn (float $one): bool => $one * $mean > 0));
                $questions[] = new Question(
                    QuestionKind::Shift,
                    "{$series}: {$same} of ".
                        count($z).
                        " samples lie {$side} the earlier results of their ground, more than chance would have it: ".
                            'is the whole batch shifted?'.
                        ($why === '' ? '' : ' '.ucfirst($why).'.'),
                    array_keys($z),
                    [$series],
                );
            }
        }

        return $questions;
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
