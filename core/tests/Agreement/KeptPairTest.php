<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\KeptPair;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\Policy;
use HonestCore\Agreement\PolicyTerms;
use HonestCore\Agreement\Scale;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(KeptPair::class)]
#[CoversClass(PolicyTerms::class)]
#[CoversClass(Band::class)]
final class KeptPairTest extends TestCase
{
    private const TERMS = [
        'thresholds' => [6.0],
        'crops' => ['lawn' => [5.5]],
        'actions' => ['lime', 'none'],
        'allowable' => 0.3,
        'change' => 0.2,
        'required' => 0.8,
        'confidence' => 0.95,
        'scale' => 'absolute',
        'looking' => 'often',
    ];

    public function test_pairs_and_terms_come_back_from_their_rows_unchanged(): void
    {
        $pair = new KeptPair('A', 4, 'lawn', [5.5], 5.9, [], [new Band('low', -INF, 5.5)], ['cold'], true);
        $row = json_decode(json_encode($pair->toRow(), JSON_THROW_ON_ERROR), true, 512, JSON_THROW_ON_ERROR);
        self::assertIsArray($row);
        self::assertSame(['name' => 'low', 'lower' => null, 'upper' => 5.5], $row['bands'][0], 'JSON has no infinity');
        self::assertEquals($pair, KeptPair::fromRow($row));

        $terms = PolicyTerms::fromRow(self::TERMS);
        self::assertEquals(self::TERMS, ['crops' => (array) $terms->toRow()['crops']] + $terms->toRow());
        self::assertSame([Looking::Often, Scale::Absolute], [$terms->looking, $terms->scale]);
        $before = array_diff_key(self::TERMS, ['looking' => 0]);
        self::assertSame(Looking::Once, PolicyTerms::fromRow($before)->looking, 'before there was another way');
    }

    public function test_limits_of_a_use_go_before_the_table_and_the_table_before_the_rest(): void
    {
        $terms = PolicyTerms::fromRow(self::TERMS);
        $table = ['lawn' => [6.2], 'orchard' => [6.4]];

        self::assertSame([5.5], $terms->limitsFor('lawn', $table)->values);
        self::assertSame([6.4], $terms->limitsFor('orchard', $table)->values);
        self::assertSame([6.0], $terms->limitsFor('path', $table)->values);
    }

    public function test_only_what_differs_from_the_table_is_kept_of_crops(): void
    {
        $table = ['lawn' => [6.2], 'orchard' => [6.4]];
        $terms = PolicyTerms::fromRow(self::TERMS)->withCrops(['lawn' => [6.2], 'orchard' => [6.1], 'moon' => [1.0]], $table);

        self::assertSame(['orchard' => [6.1]], $terms->crops, 'lawn is as in the table again, and no moon is in it');
    }

    public function test_a_change_keeps_what_it_does_not_name(): void
    {
        $terms = PolicyTerms::fromRow(self::TERMS)->changed([], 0.4, 0.1, 0.9, 0.9, null);

        self::assertSame([[6.0], 0.4, 0.1, 0.9, 0.9, Looking::Often], [
            $terms->thresholds, $terms->allowable, $terms->change, $terms->required, $terms->confidence, $terms->looking,
        ]);
        self::assertSame([5.0], PolicyTerms::fromRow(self::TERMS)->changed([5.0], 1, 1, 0.9, 0.9, Looking::Once)->thresholds);
        $policy = $terms->policy('ph');
        self::assertSame([0.4, ['lime', 'none'], Looking::Often], [$policy->allowable, $policy->actions, $policy->looking]);
    }

    public function test_kept_pairs_are_judged_by_the_limits_of_today(): void
    {
        $pairs = array_map(
            static fn (int $i): KeptPair => new KeptPair("S{$i}", $i, 'lawn', [6.0], 5.8, [5.7], [], [], false),
            range(1, 20),
        );
        $policy = Policy::of('ph', ActionLimits::of([6.0]), 0.3, 0.2, 0.8, 0.95, Scale::Absolute);
        $agree = static fn (float $limit): int => KeptPair::assess(
            $pairs,
            $policy,
            static fn (string $use): ActionLimits => ActionLimits::of([$use === 'lawn' ? $limit : 1.0]),
            null,
        )->sort->tally->agree;

        self::assertSame(20, $agree(6.0));
        self::assertSame(0, $agree(5.75), 'the limit lies between the two readings of each');
    }

    public function test_ratios_know_neither_zero_nor_less(): void
    {
        $pair = static fn (float $reference, float $reading, bool $out = false): KeptPair => new KeptPair(
            'A', 1, 'lawn', [10.0], $reference, [$reading], [], [], $out,
        );

        self::assertTrue($pair(5.0, 4.0)->countsOn(Scale::Ratio));
        self::assertFalse($pair(0.0, 4.0)->countsOn(Scale::Ratio));
        self::assertFalse($pair(5.0, -1.0)->countsOn(Scale::Ratio));
        self::assertTrue($pair(0.0, -1.0)->countsOn(Scale::Absolute));
        self::assertFalse($pair(5.0, 4.0, true)->countsOn(Scale::Absolute));
    }
}
