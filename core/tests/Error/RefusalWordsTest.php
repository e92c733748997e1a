<?php

declare(strict_types=1);

namespace HonestCore\Tests\Error;

use HonestCore\Error\RefusalWords;
use PHPUnit\Framework\TestCase;

final class RefusalWordsTest extends TestCase
{
    public function test_facts_fill_their_places_and_are_not_read_for_places_themselves(): void
    {
        self::assertSame(
            'row 7: the {place} is empty; accepted is a name or number in every cell.',
            RefusalWords::of('bad_row', 'cell_empty', ['place' => 7, 'column' => '{place}']),
        );
        self::assertSame(
            'The depth of water must be above 0 to 100 cm, 0.1 cm given.',
            RefusalWords::of('value_out_of_range', 'depth_water', ['value' => 0.1, 'low' => 0.0, 'high' => 100, 'unit' => 'cm']),
        );
    }

    public function test_what_has_no_words_is_a_fault_of_the_program(): void
    {
        $this->expectException(\LogicException::class);

        RefusalWords::of('bad_row', 'it is red', []);
    }

    public function test_every_sentence_says_what_is_accepted_where_it_can_be_said(): void
    {
        foreach (RefusalWords::sentences() as $kind => $sentences) {
            self::assertNotSame([], $sentences, $kind);
            foreach ($sentences as $reason => $sentence) {
                self::assertMatchesRegularExpression('/^[a-z0-9_]+$/', $reason);
                self::assertMatchesRegularExpression('/[.}]$/', $sentence, $reason);
                if (in_array($kind, ['bad_row', 'bad_table', 'bad_option', 'bad_field', 'bad_definition'], true)) {
                    self::assertStringContainsString('; accepted is ', $sentence, $reason);
                }
                if ($kind === 'bad_row') {
                    self::assertStringStartsWith('row {place}: ', $sentence, $reason);
                }
            }
        }
    }
}
