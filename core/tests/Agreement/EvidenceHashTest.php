<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\Band;
use HonestCore\Agreement\EvidenceHash;
use HonestCore\Agreement\KeptPair;
use HonestCore\Agreement\KeptReading;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(EvidenceHash::class)]
#[CoversClass(KeptReading::class)]
final class EvidenceHashTest extends TestCase
{
    private const READING = ['said' => '6.0', 'reader' => 'Ada', 'on' => '2026-09-04', 'lot' => 'L-1', 'version' => 3, 'flags' => []];

    /** @param array<string, mixed> $change */
    #[DataProvider('changes')]
    public function test_whatever_a_reading_says_is_in_the_name(array $change): void
    {
        $before = self::hash([self::pair('A'), self::pair('B')]);
        $after = self::hash([self::pair('A'), self::pair('B', $change)]);

        self::assertNotSame($before->value, $after->value);
        self::assertFalse($after->is($before->value));
        self::assertSame($before->older, $after->older, 'of before, these were not in it');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function changes(): iterable
    {
        yield 'as reported' => [['said' => '6']];
        yield 'reader' => [['reader' => 'Bram']];
        yield 'day' => [['on' => '2026-09-05']];
        yield 'lot' => [['lot' => 'L-2']];
        yield 'definition' => [['version' => null]];
        yield 'break' => [['flags' => ['spilled']]];
    }

    public function test_policy_lot_other_reader_and_pairs_are_in_both_names_and_their_order_in_none(): void
    {
        $pairs = [self::pair('A'), self::pair('B')];
        $is = self::hash($pairs);

        self::assertEquals($is, self::hash(array_reverse($pairs)));
        foreach (
            [
                EvidenceHash::of(8, 'L-1', $pairs),
                EvidenceHash::of(7, 'L-2', $pairs),
                EvidenceHash::of(7, 'L-1', $pairs, 'Bram'),
                self::hash([$pairs[0]]),
                self::hash([$pairs[0], self::pair('B', reference: 6.2)]),
            ] as $other
        ) {
            self::assertNotSame($is->value, $other->value);
            self::assertNotSame($is->older, $other->older);
        }
    }

    public function test_a_verdict_of_before_is_known_by_its_older_name(): void
    {
        $pair = self::pair('A');
        // As verdicts were named before readings were in it: policy, lot, and of each pair its code, figures and limits.
        $then = hash('sha256', '[7,"L-1",[["A",6.1,[],["6.0"],[],[6]]]]');

        self::assertTrue(self::hash([$pair])->is($then));
        self::assertFalse(self::hash([self::pair('A', reference: 6.2)])->is($then));
    }

    public function test_pairs_give_the_same_name_when_they_come_back_from_where_they_were_kept(): void
    {
        $pairs = [self::pair('A', ['flags' => ['spilled']]), self::pair('B', reference: 6.0)];
        $rows = json_decode(
            json_encode(array_map(static fn (KeptPair $pair): array => $pair->toRow(), $pairs), JSON_THROW_ON_ERROR),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        self::assertIsArray($rows);
        $back = array_map(static fn (mixed $row): KeptPair => KeptPair::fromRow(is_array($row) ? $row : []), array_values($rows));

        self::assertEquals(self::hash($pairs), self::hash($back));
    }

    /** @param list<KeptPair> $pairs */
    private static function hash(array $pairs): EvidenceHash
    {
        return EvidenceHash::of(7, 'L-1', $pairs);
    }

    /** @param array<string, mixed> $change */
    private static function pair(string $code, array $change = [], float $reference = 6.1): KeptPair
    {
        return new KeptPair(
            $code,
            4,
            'lawn',
            [6.0],
            $reference,
            [],
            [new Band('6.0', 5.75, 6.25)],
            [],
            false,
            [KeptReading::fromRow($change + self::READING)],
        );
    }
}
