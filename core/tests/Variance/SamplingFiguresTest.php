<?php

declare(strict_types=1);

namespace HonestCore\Tests\Variance;

use HonestCore\Variance\HuberSpread;
use HonestCore\Variance\SamplingFigures;
use PHPUnit\Framework\TestCase;

final class SamplingFiguresTest extends TestCase
{
    public function test_nothing_is_told_from_fewer_than_four_pairs_and_then_what_is_stated_is_used(): void
    {
        $figures = SamplingFigures::of([1 => [6.0, 6.1], 2 => [6.2], 3 => [5.0], 4 => [5.2]], [[1, 2], [3, 4]], 0.15);

        self::assertSame([2, 1, null, null, null, 0.15], [
            $figures->pairsOfComposites, $figures->hiddenPairs, $figures->sdAnalysis, $figures->sdMeasurement,
            $figures->expanded, $figures->used,
        ]);
        self::assertStringContainsString('2 more would do', implode(' ', $figures->words));
        self::assertStringContainsString('3 more would tell', implode(' ', $figures->words));
    }

    public function test_twins_tell_sampling_and_analysis_together_and_no_less_than_is_stated(): void
    {
        $results = $twins = [];
        foreach ([5.0, 5.5, 6.0, 6.5] as $i => $ph) {
            $results[2 * $i] = [$ph];
            $results[2 * $i + 1] = [$ph + 0.4];
            $twins[] = [2 * $i, 2 * $i + 1];
        }
        $figures = SamplingFigures::of($results, $twins, 0.1);
        $sd = sqrt(HuberSpread::of([[5.0, 5.4], [5.5, 5.9], [6.0, 6.4], [6.5, 6.9]])->variance);

        self::assertEqualsWithDelta($sd, (float) $figures->sdMeasurement, 1e-9);
        self::assertEqualsWithDelta(2 * $sd, (float) $figures->expanded, 1e-9);
        self::assertNull($figures->sdAnalysis);
        self::assertSame(5.0, SamplingFigures::of($results, $twins, 5.0)->used, 'never less than what is stated');
        self::assertNull($figures->split, 'no twin was analysed twice');
    }

    public function test_the_whole_split_needs_both_of_the_same_grounds(): void
    {
        $results = $twins = [];
        foreach ([5.0, 5.5, 6.0, 6.5] as $i => $ph) {
            $results[2 * $i] = [$ph, $ph + 0.02];
            $results[2 * $i + 1] = [$ph + 0.4, $ph + 0.42];
            $twins[] = [2 * $i, 2 * $i + 1];
        }
        $figures = SamplingFigures::of($results, $twins, null);

        self::assertNotNull($figures->split);
        self::assertGreaterThan(2 * (float) $figures->sdAnalysis, (float) $figures->sdMeasurement);
        self::assertStringContainsString('more cores are worth more', $figures->words[0]);
    }

    public function test_what_is_kept_comes_back_as_it_was(): void
    {
        $results = $twins = [];
        for ($i = 0; $i < 6; $i++) {
            $results[2 * $i] = [6.0 + $i / 10, 6.05 + $i / 9];
            $results[2 * $i + 1] = [6.2 + $i / 11, 6.1 + $i / 8];
            $twins[] = [2 * $i, 2 * $i + 1];
        }
        foreach ([SamplingFigures::of($results, $twins, 0.1), SamplingFigures::of([], [], null)] as $figures) {
            $row = json_decode(json_encode($figures->toRow(), JSON_THROW_ON_ERROR), true);
            self::assertIsArray($row);
            self::assertEquals($figures, SamplingFigures::fromRow($row));
        }
        self::assertNotNull(SamplingFigures::of($results, $twins, 0.1)->split);
    }
}
