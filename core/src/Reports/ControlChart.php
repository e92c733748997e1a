<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Spread;
use HonestCore\Table\RuleTable;

/**
 * A chart of individuals and moving ranges of a check soil, with the usual run rules.
 *
 * Quantity and unit: values in the unit of the analyte; sigma is the mean moving range divided by d2.
 * Domain: 2 values or more in the order of time; rules are asked only from eight values on, unless the soil's own value
 *   and uncertainty give centre and sigma.
 * Variant: moving range of two neighbours; limits at three sigma.
 * Source: the table in data/control-chart.json.
 */
final readonly class ControlChart
{
    /**
     * @param list<float> $values
     * @param list<float> $ranges of each value and the one before it
     * @param list<array{at: int, rule: string, words: string}> $signals
     */
    private function __construct(
        public array $values,
        public float $centre,
        public float $sigma,
        public array $ranges,
        public float $rangeLimit,
        public array $signals,
    ) {}

    /**
     * @param list<float> $values
     * @param array{value: float, sigma: float}|null $known centre and sigma that were known beforehand
     *
     * @throws ValueOutOfRange
     */
    public static function of(array $values, ?array $known = null): self
    {
        if (count($values) < 2 && $known === null) {
            throw new ValueOutOfRange('number_values_of_chart', ['value' => count($values), 'low' => 2]);
        }
        if ($values === [] || array_filter($values, is_finite(...)) !== $values) {
            throw new ValueOutOfRange('chart_of_no_numbers');
        }
        /** @var array{d2: float, D4: float, least_points: int} $table */
        $table = RuleTable::named('control-chart');
        $ranges = [];
        for ($i = 1, $n = count($values); $i < $n; $i++) {
            $ranges[] = abs($values[$i] - $values[$i - 1]);
        }
        $meanRange = $ranges === [] ? 0.0 : Spread::mean($ranges);
        $centre = $known['value'] ?? Spread::mean($values);
        $sigma = $known['sigma'] ?? $meanRange / $table['d2'];
        $asked = $known !== null || count($values) >= $table['least_points'];

        return new self(
            $values,
            $centre,
            $sigma,
            $ranges,
            $table['D4'] * ($known === null ? $meanRange : $sigma * $table['d2']),
            $asked ? self::signals($values, $centre, $sigma) : [],
        );
    }

    public function lowerLimit(): float
    {
        return $this->centre - 3 * $this->sigma;
    }

    public function upperLimit(): float
    {
        return $this->centre + 3 * $this->sigma;
    }

    /**
     * @param non-empty-list<float> $values
     * @return list<array{at: int, rule: string, words: string}>
     */
    private static function signals(array $values, float $centre, float $sigma): array
    {
        $signals = [];
        foreach ($values as $i => $value) {
            $side = $value <=> $centre;
            $beyond = static fn (int $last, float $sigmas): int => count(
                array_filter(
                    array_slice($values, max(0, $i - $last + 1), min($last, $i + 1)),
                    static fn (float $one): bool => ($one - $centre) * $side > $sigmas * $sigma,
                ),
            );
            $rule = match (true) {
                $side === 0 => null,
                abs($value - $centre) > 3 * $sigma => ['beyond', 'lies beyond three sigma'],
                $i >= 2 && $beyond(1, 2) === 1 && $beyond(3, 2) >= 2 => [
                    'two-of-three',
                    'is the second of three beyond two sigma on one side',
                ],
                $i >= 4 && $beyond(1, 1) === 1 && $beyond(5, 1) >= 4 => [
                    'four-of-five',
                    'is the fourth of five beyond one sigma on one side',
                ],
                $i >= 7 && $beyond(8, 0) === 8 => ['eight', 'is the eighth in a row on one side of the value'],
                default => null,
            };
            if ($rule !== null) {
                $signals[] = ['at' => $i, 'rule' => $rule[0], 'words' => 'Value '.($i + 1)." {$rule[1]}."];
            }
        }

        return $signals;
    }
}
