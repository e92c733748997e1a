<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Statistics\Spread;

/**
 * The expanded uncertainty of a series of results, and where it comes from.
 *
 * Quantity and unit: the analyte's unit; k = 2.
 * Rule: what duplicate composites told of sampling and lab together goes before what is stated; then a test's own
 *   repeats, when there are enough of them; then, for a lab, what labs usually repeat to. Else it is not known.
 * Source: EURACHEM/CITAC guide on measurement uncertainty arising from sampling (from memory); order: the product's own.
 */
final readonly class SeriesUncertainty
{
    /** Degrees of freedom that a spread of a test's own needs before it is used. */
    private const LEAST_DEGREES = 5;

    private function __construct(
        private string $analyte,
        private bool $ofLab,
        public ?float $expanded,
        public string $from,
    ) {}

    /**
     * @param float|null $sampled by duplicate composites; never taken for less than what is stated
     * @param list<list<float>> $repeats the numbers of each composite that was read more than once
     */
    public static function of(string $analyte, bool $ofLab, ?float $stated, ?float $sampled, array $repeats): self
    {
        $own = $stated !== null || $ofLab ? null : self::ofRepeats($repeats);
        [$expanded, $from] = match (true) {
            $sampled !== null => [max($sampled, $stated ?? 0.0), 'sampling'],
            $stated !== null => [$stated, 'stated'],
            $own !== null => [$own, 'repeats'],
            $ofLab => [null, 'usual'],
            default => [null, 'unknown'],
        };

        return new self($analyte, $ofLab, $expanded, $from);
    }

    /** At a value: what labs usually repeat to grows with it. */
    public function at(float $value): ?float
    {
        return $this->expanded ??
            ($this->ofLab ? (2 * DuplicateLimit::limit($this->analyte, $value, $value)) / 2.8 : null);
    }

    /** @param list<list<float>> $repeats */
    private static function ofRepeats(array $repeats): ?float
    {
        [$sum, $degrees] = [0.0, 0];
        foreach ($repeats as $values) {
            if (count($values) > 1) {
                $sum += Spread::sumOfSquares($values);
                $degrees += count($values) - 1;
            }
        }

        return $degrees >= self::LEAST_DEGREES ? 2 * sqrt($sum / $degrees) : null;
    }
}
