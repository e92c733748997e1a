<?php

declare(strict_types=1);

namespace HonestCore\Tests\Table;

use HonestCore\Error\BadField;
use HonestCore\Table\Fields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FieldsTest extends TestCase
{
    public function test_each_field_is_read_by_its_kind_and_a_whole_number_serves_as_a_number(): void
    {
        $fields = new Fields([
            'text' => 'W', 'whole' => 12, 'number' => 12, 'flag' => false, 'texts' => ['a', 'b'], 'wholes' => [3, 4],
            'numbers' => [1, 2.5], 'row' => ['x' => 1], 'rows' => [['y' => 2]], 'pair' => [-76.2, 42], 'none' => null,
        ]);

        self::assertSame(['W', 12, 12.0, false], [
            $fields->text('text'), $fields->whole('whole'), $fields->number('number'), $fields->flag('flag'),
        ]);
        self::assertSame([['a', 'b'], [3, 4], [1.0, 2.5]], [
            $fields->texts('texts'), $fields->wholes('wholes'), $fields->numbers('numbers'),
        ]);
        self::assertSame([['x' => 1], [['y' => 2]], [-76.2, 42.0]], [
            $fields->named('row'), $fields->rows('rows'), $fields->pairOrNull('pair'),
        ]);
    }

    public function test_what_is_not_there_is_null_or_what_was_said_and_never_guessed(): void
    {
        $fields = new Fields(['none' => null]);

        self::assertSame([null, null, null, null, null], [
            $fields->textOrNull('none'), $fields->wholeOrNull('x'), $fields->numberOrNull('x'),
            $fields->rowOrNull('x'), $fields->pairOrNull('x'),
        ]);
        self::assertSame(['over', 3, 0.5, true, []], [
            $fields->text('x', 'over'), $fields->whole('x', 3), $fields->number('x', 0.5), $fields->flag('x', true),
            $fields->rows('x'),
        ]);
        self::assertFalse($fields->has('none'));
    }

    /** @param callable(Fields): mixed $read */
    #[DataProvider('wrong')]
    public function test_another_kind_is_refused_with_the_name_of_the_field(callable $read): void
    {
        $this->expectException(BadField::class);
        $this->expectExceptionMessageMatches('/^"it" is missing or of another kind; accepted is /');
        $read(new Fields(['it' => ['a', 1, [], null]]));
    }

    /** @return iterable<string, array{callable(Fields): mixed}> */
    public static function wrong(): iterable
    {
        yield 'a list where text is asked for' => [static fn (Fields $fields): string => $fields->text('it')];
        yield 'a list where a whole number is' => [static fn (Fields $fields): int => $fields->whole('it')];
        yield 'a list where a number is' => [static fn (Fields $fields): float => $fields->number('it')];
        yield 'a list where a flag is' => [static fn (Fields $fields): bool => $fields->flag('it')];
        yield 'mixed kinds as texts' => [static fn (Fields $fields): array => $fields->texts('it')];
        yield 'mixed kinds as numbers' => [static fn (Fields $fields): array => $fields->numbers('it')];
        yield 'mixed kinds as whole numbers' => [static fn (Fields $fields): array => $fields->wholes('it')];
        yield 'mixed kinds as rows' => [static fn (Fields $fields): array => $fields->rows('it')];
        yield 'mixed kinds as a pair' => [static fn (Fields $fields): ?array => $fields->pairOrNull('it')];
    }

    public function test_three_numbers_are_no_pair_and_a_fraction_is_no_whole_number(): void
    {
        foreach ([
            static fn (): ?array => (new Fields(['pair' => [1, 2, 3]]))->pairOrNull('pair'),
            static fn (): int => (new Fields(['n' => 1.5]))->whole('n'),
            static fn (): string => (new Fields([]))->text('n'),
        ] as $read) {
            try {
                $read();
                self::fail('It was read.');
            } catch (BadField $error) {
                self::assertSame('bad_field', $error->errorCode());
            }
        }
    }
}
