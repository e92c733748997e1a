<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Agreement\Bands;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Statistics\BinomialBound;
use HonestCore\Statistics\Spread;

/**
 * How well a reader read tubes whose values were known.
 *
 * Quantity and unit: bias and repeatability in the unit of the bands; shares as fractions.
 * Domain: 2 tubes or more; bands that are closed at both ends count for bias and repeatability, all count for hits.
 * Variant: a reading between two bands counts by the bound between them, and as a hit when either band holds the value;
 *   repeatability is the pooled standard deviation of readings of equal tubes (divisor n - groups);
 *   the lower bound of the share is the exact one-sided one at 95 %.
 * Source: Clopper & Pearson 1934.
 */
final readonly class PracticeScore
{
    private function __construct(
        public int $tubes,
        public int $right,
        public float $lower,
        public ?float $bias,
        public ?float $repeatability,
        public int $degreesOfFreedom,
    ) {}

    /**
     * @param list<array{known: float, band: string, between: string|null}> $readings
     *
     * @throws ValueOutOfRange
     */
    public static function of(Bands $bands, array $readings): self
    {
        if (count($readings) < 2) {
            throw new ValueOutOfRange('number_tubes', ['value' => count($readings), 'low' => 2]);
        }
        [$right, $off, $groups] = [0, [], []];
        foreach ($readings as ['known' => $known, 'band' => $name, 'between' => $other]) {
            $band = $bands->named($name) ?? throw new ValueOutOfRange('no_band_card', ['name' => $name]);
            $beside =
                $other === null
                    ? null
                    : $bands->named($other) ?? throw new ValueOutOfRange('practised_band_not_on_card', [
                        'other' => $other,
                    ]);
            $right += $band->contains($known) || ($beside?->contains($known) ?? false) ? 1 : 0;
            $middle = $beside === null ? $band->middle() : min($band->upper, $beside->upper);
            if ($middle !== null) {
                $off[] = $middle - $known;
                $groups[(string) $known][] = $middle;
            }
        }
        $squares = array_sum(array_map(Spread::sumOfSquares(...), $groups));
        $freedom = array_sum(array_map(count(...), $groups)) - count($groups);

        return new self(
            count($readings),
            $right,
            BinomialBound::lower($right, count($readings), 0.95),
            $off === [] ? null : Spread::mean($off),
            $freedom > 0 ? sqrt($squares / $freedom) : null,
            $freedom,
        );
    }

    /** @return array{tubes: int, right: int, lower: float, bias: float|null, repeatability: float|null, degrees_of_freedom: int} */
    public function toArray(): array
    {
        return [
            'tubes' => $this->tubes,
            'right' => $this->right,
            'lower' => $this->lower,
            'bias' => $this->bias,
            'repeatability' => $this->repeatability,
            'degrees_of_freedom' => $this->degreesOfFreedom,
        ];
    }
}
