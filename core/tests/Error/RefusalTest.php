<?php

declare(strict_types=1);

namespace HonestCore\Tests\Error;

use HonestCore\Error\BadBoundary;
use HonestCore\Error\BadDefinition;
use HonestCore\Error\BadField;
use HonestCore\Error\BadOption;
use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Error\Refusal;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(BadBoundary::class)]
#[CoversClass(BadDefinition::class)]
#[CoversClass(BadField::class)]
#[CoversClass(BadOption::class)]
#[CoversClass(BadRow::class)]
#[CoversClass(BadTable::class)]
#[CoversClass(Refusal::class)]
final class RefusalTest extends TestCase
{
    /** @return iterable<string, array{Refusal, string, string, array<string, string|int>}> */
    public static function refusals(): iterable
    {
        $facts = ['wrong' => 'it is red', 'accepted' => 'blue'];
        yield 'a row' => [
            BadRow::at(7, 'it is red', 'blue'),
            'bad_row',
            'row 7: it is red; accepted is blue.',
            ['place' => 7] + $facts,
        ];
        yield 'a table' => [BadTable::because('it is red', 'blue'), 'bad_table', 'it is red; accepted is blue.', $facts];
        yield 'an option' => [
            BadOption::because('--colour', 'it is red', 'blue'),
            'bad_option',
            '--colour: it is red; accepted is blue.',
            ['place' => '--colour'] + $facts,
        ];
        yield 'ground' => [
            BadBoundary::because('ring 2', 'it is red', 'blue'),
            'bad_boundary',
            'ring 2: it is red; accepted is blue.',
            ['place' => 'ring 2'] + $facts,
        ];
        yield 'a definition' => [
            BadDefinition::at('scale', 'it is red', 'blue'),
            'bad_definition',
            'scale: it is red; accepted is blue.',
            ['place' => 'scale'] + $facts,
        ];
        yield 'a field' => [
            BadField::of('colour', 'blue'),
            'bad_field',
            '"colour" is missing or of another kind; accepted is blue.',
            ['place' => 'colour', 'accepted' => 'blue'],
        ];
    }

    /** @param array<string, string|int> $facts */
    #[DataProvider('refusals')]
    public function test_it_says_place_fault_and_what_is_accepted_and_keeps_them_apart(
        Refusal $refusal,
        string $code,
        string $words,
        array $facts,
    ): void {
        self::assertSame($code, $refusal->errorCode());
        self::assertSame($words, $refusal->getMessage());
        self::assertSame($facts, $refusal->facts);
    }

    public function test_at_a_page_an_option_is_told_without_its_dashes(): void
    {
        $refusal = BadOption::because('--depth', 'it needs --area too', 'both of them');

        self::assertSame('It needs area too; accepted is both of them.', $refusal->forPeople());
    }
}
