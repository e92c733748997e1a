<?php

declare(strict_types=1);

namespace HonestCore\Variance;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * Where the spread of a lab's results comes from, as far as duplicates tell: duplicate composites of the same ground,
 * and hidden duplicates of a composite. The whole split needs both of the same grounds.
 *
 * Quantity and unit: standard deviations and expanded uncertainties (k = 2) in the analyte's unit.
 * Domain: nothing is told from fewer than 4 pairs of a kind.
 * Source: EURACHEM/CITAC guide on measurement uncertainty arising from sampling (from memory).
 */
final readonly class SamplingFigures implements Stored
{
    private const LEAST = 4;

    /** @param list<string> $words */
    private function __construct(
        public int $pairsOfComposites,
        public int $hiddenPairs,
        public ?VarianceSplit $split,
        public ?float $sdAnalysis,
        public ?float $sdMeasurement,
        public ?float $expanded,
        public ?float $used,
        public array $words,
    ) {}

    /**
     * @param array<int, list<float>> $results numbers by composite: its own first, hidden duplicates after it
     * @param list<array{int, int}> $twins composites and the duplicates pulled of their ground
     * @param float|null $stated expanded uncertainty that the lab states; never taken for less
     */
    public static function of(array $results, array $twins, ?float $stated): self
    {
        $hidden = array_values(array_filter($results, static fn (array $values): bool => count($values) >= 2));
        [$targets, $means] = self::paired($results, $twins);
        $split = count($targets) >= 2 ? VarianceSplit::of(NestedDesign::of($targets)) : null;
        // Two targets make a split; what decides rests on no fewer than the rest does.
        $enough = $split !== null && count($targets) >= self::LEAST;
        $analysis = $enough
            ? $split->robust['sd_analysis']
            : self::sd(array_map(static fn (array $values): array => [$values[0], $values[1]], $hidden));
        $measurement = $enough ? $split->robust['sd_measurement'] : self::sd($means);
        $expanded = $measurement === null ? null : 2 * $measurement;

        return new self(
            count($means),
            count($hidden),
            $split,
            $analysis,
            $measurement,
            $expanded,
            $expanded === null ? $stated : max($expanded, $stated ?? 0.0),
            self::words(count($means), count($hidden), $analysis, $measurement),
        );
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $split = $fields->rowOrNull('split');

        return new self(
            $fields->whole('pairs_of_composites'),
            $fields->whole('hidden_pairs'),
            $split === null ? null : VarianceSplit::fromRow($split),
            $fields->numberOrNull('sd_analysis'),
            $fields->numberOrNull('sd_measurement'),
            $fields->numberOrNull('expanded'),
            $fields->numberOrNull('used'),
            $fields->texts('words'),
        );
    }

    public function toRow(): array
    {
        return [
            'pairs_of_composites' => $this->pairsOfComposites,
            'hidden_pairs' => $this->hiddenPairs,
            'split' => $this->split?->toRow(),
            'sd_analysis' => $this->sdAnalysis,
            'sd_measurement' => $this->sdMeasurement,
            'expanded' => $this->expanded,
            'used' => $this->used,
            'words' => $this->words,
        ];
    }

    /**
     * Twins that were both analysed twice, and the first results of all twins.
     *
     * @param array<int, list<float>> $results
     * @param list<array{int, int}> $twins
     * @return array{list<array{array{float, float}, array{float, float}}>, list<array{float, float}>}
     */
    private static function paired(array $results, array $twins): array
    {
        [$targets, $means] = [[], []];
        foreach ($twins as [$one, $other]) {
            [$a, $b] = [$results[$one] ?? [], $results[$other] ?? []];
            if (count($a) >= 2 && count($b) >= 2) {
                $targets[] = [[$a[0], $a[1]], [$b[0], $b[1]]];
            }
            if ($a !== [] && $b !== []) {
                $means[] = [$a[0], $b[0]];
            }
        }

        return [$targets, $means];
    }

    /** @param list<non-empty-list<float>> $pairs */
    private static function sd(array $pairs): ?float
    {
        return $pairs === [] || count($pairs) < self::LEAST ? null : sqrt(HuberSpread::of($pairs)->variance);
    }

    /** @return list<string> */
    private static function words(int $composites, int $hidden, ?float $analysis, ?float $measurement): array
    {
        $words = [];
        $words[] = match (true) {
            $measurement !== null && $analysis !== null && $measurement > 2 * $analysis => 'Most of the spread is '.
                'sampling: more cores are worth more than a better test.',
            $measurement !== null && $analysis !== null => 'The analysis is a large part of the spread: a better '.
                'test, or two analyses, are worth money.',
            $measurement !== null => 'Sampling and analysis together are known; hidden duplicates would tell them '.
                'apart.',
            $analysis !== null => 'Only the analysis is known; what is stated of it leaves the sampling out, which '.
                'is usually the larger part.',
            default => 'Sampling has not been measured here: what is stated of the lab alone is used, and it is too '.
                'small.',
        };
        if ($composites < self::LEAST) {
            $words[] =
                'Duplicate composites so far: '.
                $composites.
                '; '.
                (self::LEAST - $composites).
                ' more would do. Plan them with the next round.';
        }
        if ($hidden < self::LEAST) {
            $words[] =
                'Hidden duplicates so far: '.
                $hidden.
                '; '.
                (self::LEAST - $hidden).
                ' more would tell the lab\'s own part.';
        }

        return $words;
    }
}
