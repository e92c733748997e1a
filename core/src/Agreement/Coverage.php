<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Statistics\BinomialBound;

/**
 * The lots and seasons that a verdict speaks for: those that its pairs come from, in number enough and not against it.
 * A lot that nobody has read with is not asked, whatever others said.
 *
 * Rule: LOT_PAIRS kept pairs of a lot, SEASON_PAIRS of a season; refuted where even the upper bound of its own share,
 * at half the risk, is below the required one.
 * Quantity and unit: counts of pairs; a composite read with two lots is a pair of each.
 * Source: common practice (a new lot is tried on a few known soils before it is used); the numbers are the product's own.
 */
final readonly class Coverage
{
    public const LOT_PAIRS = 5;

    public const SEASON_PAIRS = 3;

    /**
     * @param list<CoveredGroup> $lots in the order in which they were first met, the one in use among them
     * @param list<CoveredGroup> $seasons ascending
     */
    private function __construct(public array $lots, public array $seasons) {}

    /**
     * @param list<CoveragePair> $pairs
     * @param int|null $now the newest season in which a composite was pulled
     */
    public static function of(array $pairs, string $lotInUse, ?int $now, Policy $policy): self
    {
        $lots = $seasons = [];
        foreach ($pairs as $pair) {
            $lots["lot {$pair->lot}"][] = $pair->holds;
            $seasons[$pair->season][] = $pair->holds;
        }
        $lots["lot {$lotInUse}"] ??= [];
        if ($now !== null) {
            $seasons[$now] ??= [];
        }
        ksort($seasons);

        return new self(
            array_map(
                static fn (string $key): CoveredGroup => self::group(substr($key, 4), $lots[$key], self::LOT_PAIRS, $policy),
                array_keys($lots),
            ),
            array_map(
                static fn (int $year): CoveredGroup => self::group((string) $year, $seasons[$year], self::SEASON_PAIRS, $policy),
                array_keys($seasons),
            ),
        );
    }

    /** @return list<string> */
    public function coveredLots(): array
    {
        return self::covered($this->lots);
    }

    /** @return list<int> */
    public function coveredSeasons(): array
    {
        return array_map(intval(...), self::covered($this->seasons));
    }

    /** @return array{lots: list<array<string, mixed>>, seasons: list<array<string, mixed>>} */
    public function toArray(): array
    {
        return [
            'lots' => array_map(static fn (CoveredGroup $group): array => $group->toArray('lot'), $this->lots),
            'seasons' => array_map(static fn (CoveredGroup $group): array => $group->toArray('season'), $this->seasons),
        ];
    }

    /**
     * @param list<CoveredGroup> $groups
     * @return list<string>
     */
    private static function covered(array $groups): array
    {
        return array_values(
            array_map(
                static fn (CoveredGroup $group): string => $group->name,
                array_filter($groups, static fn (CoveredGroup $group): bool => $group->isCovered()),
            ),
        );
    }

    /** @param list<bool> $holds */
    private static function group(string $name, array $holds, int $needed, Policy $policy): CoveredGroup
    {
        [$n, $agree] = [count($holds), count(array_filter($holds))];
        $most = $n === 0 ? 1.0 : $policy->looking->upper($agree, $n, (1 + $policy->confidence) / 2);

        return new CoveredGroup($name, $n, $agree, $needed, $most < $policy->required - BinomialBound::REACHED);
    }
}
