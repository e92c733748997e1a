<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Normal;
use HonestCore\Statistics\Spread;
use HonestCore\Statistics\StudentT;
use HonestCore\Table\RuleTable;

/**
 * Earlier results of one series in one area, and how surprising a new one is beside them.
 *
 * Quantity and unit: home unit of the analyte; pH on its own scale, all else by logarithms.
 * Domain: 2 results or more, all above 0 where logarithms are taken.
 * Variant: prediction of one further value, t with n - 1 degrees of freedom; the spread is never taken for smaller
 *   than what ground and lab together usually show, and where that one is used the normal distribution is too.
 * Source: the table in data/report-rules.json; prediction intervals as in any statistics handbook.
 */
final readonly class SeriesHistory
{
    private function __construct(
        public string $analyte,
        public int $n,
        public float $mean,
        public float $sd,
        private bool $logs,
        private float $farZ,
    ) {}

    /**
     * @param list<float> $values
     *
     * @throws ValueOutOfRange
     */
    public static function of(string $analyte, array $values): self
    {
        if (count($values) < 2) {
            throw new ValueOutOfRange('number_earlier_results', ['value' => count($values), 'low' => 2]);
        }
        /** @var array{area_absolute_sd: array<string, float>, area_relative_sd: float, chance: float} $rules */
        $rules = RuleTable::named('report-rules');
        $floor = $rules['area_absolute_sd'][$analyte] ?? null;
        $logs = $floor === null;
        $scaled = array_map(static fn (float $value): float => $logs ? self::log($value) : $value, $values);

        [$seen, $least] = [(float) Spread::standardDeviation($scaled), $floor ?? $rules['area_relative_sd']];

        $chance = $rules['chance'];
        $far =
            $seen <= $least
                ? Normal::quantile(1 - $chance / 2)
                : StudentT::quantile(1 - $chance / 2, count($values) - 1);

        return new self($analyte, count($values), Spread::mean($scaled), max($seen, $least), $logs, $far);
    }

    /** How many spreads of a prediction a value lies from the mean of the earlier ones. */
    public function z(float $value): float
    {
        return (($this->logs ? self::log($value) : $value) - $this->mean) / ($this->sd * sqrt(1 + 1 / $this->n));
    }

    /** Does it lie further off than chance would put one of a thousand? */
    public function isFar(float $value): bool
    {
        return abs($this->z($value)) > $this->farZ;
    }

    /** Which mistaken unit would explain a value so far off; empty where none would, and for pH. */
    public function explained(float $value): string
    {
        return $this->logs && $value > 0 ? MistakenUnit::explain($this->analyte, $value / $this->usual()) : '';
    }

    /** The mean of the earlier results, on the scale of the analyte. */
    public function usual(): float
    {
        return $this->logs ? exp($this->mean) : $this->mean;
    }

    private static function log(float $value): float
    {
        return log(max($value, 1e-6));
    }
}
