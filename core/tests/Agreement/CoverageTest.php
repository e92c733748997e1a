<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\Coverage;
use HonestCore\Agreement\CoveragePair;
use HonestCore\Agreement\CoveredGroup;
use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Agreement\Looking;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Coverage::class)]
#[CoversClass(CoveragePair::class)]
#[CoversClass(CoveredGroup::class)]
final class CoverageTest extends TestCase
{
    public function test_a_lot_speaks_from_five_pairs_of_its_own_and_a_season_from_three(): void
    {
        $pairs = [...self::pairs('A', 2025, 5, 5), ...self::pairs('B', 2026, 4, 4)];
        $it = Coverage::of($pairs, 'B', 2026, DefaultPolicy::for('ph'));

        self::assertSame(['A'], $it->coveredLots());
        self::assertSame([2025, 2026], $it->coveredSeasons());
        self::assertSame([0, 1], array_map(static fn (CoveredGroup $lot): int => $lot->lacking(), $it->lots));
        self::assertSame(
            'Lot B is not asked: 4 of 5 pairs of its own; 1 more would carry the verdict over.',
            $it->toArray()['lots'][1]['words'],
        );
        self::assertSame(['A', 'B'], Coverage::of([...$pairs, new CoveragePair('B', 2026, true)], 'B', 2026, DefaultPolicy::for('ph'))
            ->coveredLots());
    }

    public function test_the_lot_in_use_and_the_season_that_runs_are_named_before_anybody_reads_with_them(): void
    {
        $it = Coverage::of(self::pairs('A', 2025, 9, 9), 'C', 2027, DefaultPolicy::for('ph'));

        self::assertSame([['A', 9], ['C', 0]], array_map(static fn (CoveredGroup $lot): array => [$lot->name, $lot->pairs], $it->lots));
        self::assertSame(['2025', '2027'], array_column($it->toArray()['seasons'], 'name'));
        self::assertSame(['covered', 'not asked'], array_column($it->toArray()['seasons'], 'state'));
        self::assertSame([['not asked', 0]], array_map(
            static fn (array $lot): array => [$lot['state'], $lot['pairs']],
            Coverage::of([], '', null, DefaultPolicy::for('ph'))->toArray()['lots'],
        ));
    }

    public function test_a_lot_that_its_own_pairs_refute_is_not_covered_by_what_others_said(): void
    {
        $policy = DefaultPolicy::for('ph');
        $it = Coverage::of([...self::pairs('A', 2025, 40, 40), ...self::pairs('B', 2025, 8, 2)], 'B', 2025, $policy);

        self::assertSame(['A'], $it->coveredLots());
        self::assertSame('refuted', $it->toArray()['lots'][1]['state']);
        self::assertStringContainsString('refuted by its own pairs: 2 of 8', $it->toArray()['lots'][1]['words']);
        // Upper Clopper-Pearson bound at 97.5 % of 2 in 8 is 0.651, below 0.8; of 4 in 8 it is 0.843 (R 4.2, binom.test).
        self::assertSame(['A', 'B'], Coverage::of(
            [...self::pairs('A', 2025, 40, 40), ...self::pairs('B', 2025, 8, 4)],
            'B',
            2025,
            $policy->lookedAt(Looking::Once),
        )->coveredLots());
    }

    /** @return list<CoveragePair> */
    private static function pairs(string $lot, int $season, int $n, int $agree): array
    {
        return array_map(
            static fn (int $i): CoveragePair => new CoveragePair($lot, $season, $i <= $agree),
            range(1, $n),
        );
    }
}
