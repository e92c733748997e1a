<?php

declare(strict_types=1);

namespace HonestCore\Tests\Custody;

use HonestCore\Custody\CoreMark;
use HonestCore\Custody\Outcome;
use HonestCore\Custody\PhoneEntry;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(PhoneEntry::class)]
#[CoversClass(CoreMark::class)]
#[CoversClass(Outcome::class)]
final class PhoneEntryTest extends TestCase
{
    private const ROW = [
        'uuid' => '0e7a0c4e-0000-4000-8000-000000000001',
        'plan_id' => 4,
        'composite' => 1,
        'ordinal' => 9,
        'sequence' => 3,
        'outcome' => 'moved',
        'reason' => 'root',
        'at' => '2026-09-01T10:30:00.250-04:00',
        'longitude' => -76.281,
        'latitude' => 42.915,
        'accuracy_m' => 4.5,
        'settles' => ['0e7a0c4e-0000-4000-8000-000000000000'],
    ];

    public function test_it_comes_back_from_its_row_unchanged(): void
    {
        self::assertSame(self::ROW, PhoneEntry::fromRow(self::ROW)->toRow());
    }

    /**
     * @param array<string, mixed> $other
     * @param array<int, int>|null $cores
     */
    #[DataProvider('entries')]
    public function test_what_cannot_be_taken_is_named_with_its_reason(array $other, ?array $cores, ?string $why): void
    {
        $refusal = PhoneEntry::fromRow($other + self::ROW)->refusal($cores);
        $why === null ? self::assertNull($refusal) : self::assertStringContainsString($why, (string) $refusal);
    }

    /** @return iterable<string, array{array<string, mixed>, array<int, int>|null, string|null}> */
    public static function entries(): iterable
    {
        yield 'a core of the plan' => [[], [1 => 12], null];
        yield 'the last core of it' => [['sequence' => 12], [1 => 12], null];
        yield 'one past the last' => [['sequence' => 13], [1 => 12], 'core 13 is not in it'];
        yield 'a composite that is not planned' => [['composite' => 2], [1 => 12], 'no composite 2'];
        yield 'a plan that is not there' => [[], null, 'not there'];
        yield 'a word that is no outcome' => [['outcome' => 'lost'], [1 => 12], '"lost" is no outcome'];
        yield 'a mark taken back' => [['outcome' => 'undone'], [1 => 12], null];
    }

    public function test_what_is_up_is_pulled_or_moved_and_a_mark_taken_back_is_never_handed_in(): void
    {
        $marks = array_map(
            static fn (Outcome $outcome, int $i): CoreMark => new CoreMark($i + 1, $outcome, null),
            Outcome::ofHandIn(),
            array_keys(Outcome::ofHandIn()),
        );

        self::assertSame(2, CoreMark::countUp($marks));
        self::assertNotContains(Outcome::Undone, Outcome::ofHandIn());
        self::assertEquals($marks[1], CoreMark::fromRow($marks[1]->toRow()));
    }
}
