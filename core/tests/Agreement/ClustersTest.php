<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\Clusters;
use HonestCore\Agreement\PairedSample;
use PHPUnit\Framework\TestCase;

/** Worked by hand; sets against SciPy stand in LimitsAtEndsTest. */
final class ClustersTest extends TestCase
{
    public function test_what_a_cluster_shares_makes_its_pairs_worth_one(): void
    {
        $days = $this->of(['Mon', 'Mon', 'Tue', 'Tue']);
        self::assertEqualsWithDelta(
            2.0,
            $days->effect([1.0, 1.0, 0.0, 0.0]),
            1e-12,
            'ICC 1: two pairs a day are worth one',
        );
        self::assertEqualsWithDelta(1.05, $days->effect([1.0, 0.0, 1.0, 0.0]), 1e-12, 'never less than an ICC of 0.05');
        self::assertEqualsWithDelta(
            1.05,
            $days->effect([1.0, 1.0, 1.0, 1.0]),
            1e-12,
            'where nothing varies it cannot be had',
        );
        // m0 = (9 + 1) / 4; MSB 0.75, MSW 0, so ICC 1.
        self::assertEqualsWithDelta(2.5, $this->of(['Mon', 'Mon', 'Mon', 'Tue'])->effect([1.0, 1.0, 1.0, 0.0]), 1e-12);
        self::assertEqualsWithDelta(
            1 + 3 * 0.05,
            $this->of(['Mon', 'Mon', 'Mon', 'Mon'])->effect([1.0, 0.0, 1.0, 0.0]),
            1e-12,
            'one cluster',
        );
    }

    public function test_pairs_that_stand_alone_are_worth_themselves(): void
    {
        self::assertSame(
            [1.0, 1.0, false, false],
            [
                Clusters::none()->effect([1.0, 0.0]),
                Clusters::none()->penalty(2, 0.95),
                Clusters::none()->areTooFew(),
                Clusters::none()->areNamed(),
            ],
        );
        $alone = $this->of(['a', 'b', 'c']);
        self::assertSame(
            [1.0, 1.0, 3, false],
            [$alone->effect([1.0, 0.0, 1.0]), $alone->penalty(3, 0.95), $alone->count(), $alone->areTooFew()],
        );
        self::assertTrue($this->of(['a', 'a', 'b'])->areTooFew());
    }

    public function test_some_of_the_pairs_keep_their_clusters_and_few_clusters_cost(): void
    {
        $days = $this->of(['Mon', 'Mon', 'Tue', 'Wed', 'Wed']);

        self::assertSame(2, $days->only([0, 1, 2])->count());
        self::assertEqualsWithDelta(
            1.5 * 1.0 + 1 / 6,
            $days->only([0, 1, 2])->effect([1.0, 1.0, 0.0]),
            1e-12,
            'm0 = 5/3 at ICC 1',
        );
        // R: (qt(0.95, 2) / qt(0.95, 4))^2
        self::assertEqualsWithDelta((2.91998558 / 2.13184679) ** 2, $days->penalty(5, 0.95), 1e-7);
    }

    /** @param non-empty-list<string> $names */
    private function of(array $names): Clusters
    {
        return Clusters::of(
            array_map(
                static fn (string $name, int $i): PairedSample => PairedSample::numeric("s{$i}", 6.0, [6.0])->inCluster(
                    $name,
                ),
                $names,
                array_keys($names),
            ),
        );
    }
}
