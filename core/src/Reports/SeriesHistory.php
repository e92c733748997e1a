<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\Spread;
use HonestCore\Table\RuleTable;

/**
 * Earlier results of one series in one area, and where a new one is expected beside them.
 *
 * Quantity and unit: home unit of the analyte; pH on its own scale, all else by logarithms.
 * Domain: 2 results or more, all above 0 where logarithms are taken.
 * Rule: the spread within the ground is that of its results, with the usual one of data/report-rules.json counting for
 *   four results more, and never less than the usual one: two or three results alone say little of a spread. A season may
 *   move the ground as a whole by the standard deviation of the same table.
 * Source: normal sample with a scaled inverse chi-square prior of its variance, Gelman and others, Bayesian Data Analysis
 *   (from memory); what is usual: the table, with its source.
 */
final readonly class SeriesHistory
{
    private function __construct(
        public string $analyte,
        public int $n,
        public float $mean,
        private float $squares,
        private bool $logs,
        private float $usualSd,
        public float $seasonSd,
        private float $priorDf,
        private float $chance,
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
        /**
         * @var array{area_absolute_sd: array<string, float>, area_relative_sd: float, season_absolute_sd: array<string, float>,
         *     season_relative_sd: float, usual_counts_for: float|int, chance: float} $rules
         */
        $rules = RuleTable::named('report-rules');
        $absolute = $rules['area_absolute_sd'][$analyte] ?? null;
        $logs = $absolute === null;
        $scaled = array_map(static fn (float $value): float => $logs ? self::log($value) : $value, $values);

        return new self(
            $analyte,
            count($values),
            Spread::mean($scaled),
            Spread::sumOfSquares($scaled),
            $logs,
            $absolute ?? $rules['area_relative_sd'],
            $logs ? $rules['season_relative_sd'] : ($rules['season_absolute_sd'][$analyte] ?? 0.0),
            (float) $rules['usual_counts_for'],
            $rules['chance'],
        );
    }

    public function scaled(float $value): float
    {
        return $this->logs ? self::log($value) : $value;
    }

    /**
     * The spread within the ground, and how many degrees of freedom it rests on.
     *
     * @param Together $others further results of one report and this ground, scaled
     * @return array{float, float} variance, degrees of freedom
     */
    public function within(Together $others): array
    {
        $df = $this->n - 1 + max(0, $others->n - 1) + $this->priorDf;
        $usual = $this->usualSd ** 2;

        return [max($usual, ($this->squares + $others->squares + $this->priorDf * $usual) / $df), $df];
    }

    /**
     * Where a new result is expected, by the earlier ones and by others of the same report and ground.
     *
     * @param Together|null $others scaled, without the one in question
     */
    public function expects(?Together $others = null): Prediction
    {
        $others ??= Together::none();
        [$variance, $df] = $this->within($others);
        [$mean, $ofMean] = [$this->mean, $variance / $this->n + $this->seasonSd ** 2];
        if ($others->n > 0) {
            $own = $variance / $others->n;
            $mean = ($mean / $ofMean + $others->mean / $own) / (1 / $ofMean + 1 / $own);
            $ofMean = 1 / (1 / $ofMean + 1 / $own);
        }

        return new Prediction($mean, sqrt($variance + $ofMean), $df);
    }

    /** How many spreads of a prediction a value lies from the mean of the earlier ones. */
    public function z(float $value): float
    {
        return $this->expects()->z($this->scaled($value));
    }

    /** Does it lie further off than chance would put one of a thousand? */
    public function isFar(float $value): bool
    {
        return $this->expects()->isBeyond($this->scaled($value), $this->chance);
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
