<?php

declare(strict_types=1);

namespace HonestCore\Tests\Record;

use HonestCore\Error\BadField;
use HonestCore\Record\CanonicalText;
use HonestCore\Record\ChainFault;
use HonestCore\Record\ChainHead;
use HonestCore\Record\ChainLink;
use HonestCore\Record\ChainWalk;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(ChainWalk::class)]
#[CoversClass(ChainLink::class)]
#[CoversClass(ChainHead::class)]
#[CoversClass(ChainFault::class)]
#[CoversClass(CanonicalText::class)]
final class ChainWalkTest extends TestCase
{
    public function test_what_was_written_fits(): void
    {
        $walk = new ChainWalk();
        foreach (self::chain() as [$link, $says]) {
            self::assertNull($walk->take($link, $says));
        }

        self::assertNull($walk->end());
        self::assertSame(5, $walk->head()->position);
    }

    /** @param \Closure(list<array{ChainLink, string|null}>): list<array{ChainLink, string|null}> $harm */
    #[DataProvider('harms')]
    public function test_each_harm_is_named_at_the_first_row_that_does_not_fit(\Closure $harm, string $kind, int $row): void
    {
        $walk = new ChainWalk();
        foreach ($harm(self::chain()) as [$link, $says]) {
            $fault = $walk->take($link, $says);
            if ($fault !== null) {
                self::assertSame([$kind, $row], [$fault->kind, $fault->row], $fault->words);

                return;
            }
        }
        self::fail('nothing was found');
    }

    /** @return iterable<string, array{\Closure, string, int}> */
    public static function harms(): iterable
    {
        yield 'a row says something else' => [
            static fn (array $chain): array => self::with($chain, 2, [$chain[2][0], str_repeat('f', 64)]),
            ChainFault::ALTERED,
            12,
        ];
        yield 'a row is gone' => [
            static fn (array $chain): array => self::with($chain, 1, [$chain[1][0], null]),
            ChainFault::REMOVED,
            11,
        ];
        yield 'a row is gone with its link' => [
            static fn (array $chain): array => [$chain[0], ...array_slice($chain, 2)],
            ChainFault::BROKEN,
            12,
        ];
        yield 'the first row is gone with its link' => [
            static fn (array $chain): array => array_slice($chain, 1),
            ChainFault::BROKEN,
            11,
        ];
        yield 'two rows change places' => [
            static fn (array $chain): array => [$chain[0], $chain[2], $chain[1], $chain[3], $chain[4]],
            ChainFault::BROKEN,
            12,
        ];
        yield 'a link is made to fit its row' => [
            static function (array $chain): array {
                $link = $chain[1][0];
                $other = str_repeat('a', 64);

                return self::with($chain, 1, [
                    new ChainLink($link->position, $link->table, $link->row, $other, $link->before, $link->hash),
                    $other,
                ]);
            },
            ChainFault::BROKEN,
            11,
        ];
        yield 'a link is made anew for its row, but not those behind it' => [
            static function (array $chain): array {
                $other = str_repeat('a', 64);

                return self::with($chain, 1, [ChainLink::behind($chain[0][0], 'readings', 11, $other), $other]);
            },
            ChainFault::BROKEN,
            12,
        ];
        yield 'a link is put in' => [
            static function (array $chain): array {
                $says = str_repeat('b', 64);

                return [$chain[0], [ChainLink::behind($chain[0][0], 'readings', 99, $says), $says], ...array_slice($chain, 1)];
            },
            ChainFault::BROKEN,
            11,
        ];
    }

    public function test_a_chain_made_anew_from_the_start_is_found_by_a_head_that_was_kept(): void
    {
        $head = new ChainHead(5, self::chain()[4][0]->hash);
        $walk = new ChainWalk($head);
        $found = [];
        foreach (self::chain('something else') as [$link, $says]) {
            $found[] = $walk->take($link, $says)?->kind;
        }

        self::assertSame([null, null, null, null, ChainFault::REWRITTEN], $found);
    }

    public function test_rows_cut_off_at_the_end_are_found_by_a_head_that_was_kept(): void
    {
        $walk = new ChainWalk(new ChainHead(5, self::chain()[4][0]->hash));
        foreach (array_slice(self::chain(), 0, 3) as [$link, $says]) {
            self::assertNull($walk->take($link, $says));
        }

        self::assertStringContainsString('it had 5', $walk->end()->words ?? '');
    }

    public function test_one_content_has_one_text(): void
    {
        self::assertSame('{"a":6.5,"b":null,"c":"µ/ü"}', CanonicalText::of(['c' => 'µ/ü', 'a' => 6.5, 'b' => null]));
        self::assertNotSame(CanonicalText::hash(['a' => 0.3]), CanonicalText::hash(['a' => 0.1 + 0.2]));
        self::assertNotSame(CanonicalText::hash(['a' => '1']), CanonicalText::hash(['a' => 1]));
        self::assertNotSame(CanonicalText::hash(['a' => 1.0]), CanonicalText::hash(['a' => 1]));
        // FIPS 180-4: SHA-256 of "[]" by the command sha256sum.
        self::assertSame('4f53cda18c2baa0c0354bb5f9a3ecbe5ed12ab4d8e11ba873c2f11161202b945', CanonicalText::hash([]));
    }

    public function test_a_head_comes_back_as_it_went_out(): void
    {
        $head = new ChainHead(7, str_repeat('0a', 32));

        self::assertEquals($head, ChainHead::fromRow($head->toRow()));
        self::assertSame('7-0a0a0a0a0a0a', $head->short());
        $this->expectException(BadField::class);
        ChainHead::fromRow(['position' => 7, 'hash' => 'short']);
    }

    /** @return list<array{ChainLink, string|null}> */
    private static function chain(string $words = 'a row'): array
    {
        [$chain, $last] = [[], null];
        for ($i = 0; $i < 5; $i++) {
            $says = CanonicalText::hash(['words' => $words, 'i' => $i]);
            $last = ChainLink::behind($last, 'readings', 10 + $i, $says);
            $chain[] = [$last, $says];
        }

        return $chain;
    }

    /**
     * @param array<array{ChainLink, string|null}> $chain
     * @param array{ChainLink, string|null} $link
     * @return list<array{ChainLink, string|null}>
     */
    private static function with(array $chain, int $at, array $link): array
    {
        $chain[$at] = $link;

        return array_values($chain);
    }
}
