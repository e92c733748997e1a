<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Schema;

/** The page on the data model is held against a migrated database. */
final class DataModelTest extends ApiTestCase
{
    /** Tables of the framework, which hold nothing of the work. */
    private const OF_THE_FRAMEWORK = ['migrations', 'sessions', 'cache', 'cache_locks', 'jobs', 'sqlite_sequence'];

    public function test_every_table_has_its_row_and_every_row_its_table(): void
    {
        $there = array_diff(Schema::getTableListing(schemaQualified: false), self::OF_THE_FRAMEWORK);
        $told = array_merge(...array_column(self::rows(), 'tables'));

        self::assertSame([], array_diff_assoc($told, array_unique($told)), 'named twice');
        self::assertEqualsCanonicalizing(array_values($there), $told);
    }

    public function test_every_column_that_a_row_names_is_one_of_its_table(): void
    {
        $named = 0;
        foreach (self::rows() as $row) {
            $columns = array_merge(...array_map(Schema::getColumnListing(...), $row['tables']));
            preg_match_all('/`([a-z]+(?:_[a-z0-9]+)*)`/', $row['text'], $words);
            foreach (array_diff($words[1], $row['tables']) as $word) {
                self::assertContains($word, $columns, implode(', ', $row['tables']));
                $named++;
            }
        }
        self::assertGreaterThan(10, $named);
    }

    /** The teams themselves, and what packages of the framework keep by the person alone. */
    private const OF_PERSONS = ['teams', 'personal_access_tokens', 'password_reset_tokens'];

    public function test_every_table_of_a_team_says_whose_it_is(): void
    {
        foreach (array_merge(...array_column(self::rows(), 'tables')) as $table) {
            self::assertSame(
                ! in_array($table, self::OF_PERSONS, true),
                in_array('team_id', Schema::getColumnListing($table), true),
                $table,
            );
        }
    }

    /** @return list<array{tables: list<string>, text: string}> */
    private static function rows(): array
    {
        $page = (string) file_get_contents(base_path('docs/data-model.md'));
        preg_match_all('/^\| ((?:`\w+`(?:, )?)+) \|(.*)$/m', $page, $found, PREG_SET_ORDER);

        return array_map(
            static fn (array $row): array => [
                'tables' => explode(', ', str_replace('`', '', $row[1])),
                // What stands in brackets is what a column of JSON holds.
                'text' => (string) preg_replace('/\([^)]*\)/', '', $row[2]),
            ],
            $found,
        );
    }
}
