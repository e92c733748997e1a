<?php

declare(strict_types=1);

namespace HonestCore\Tests\Bench;

use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Just what a field of a method may be: its ends are accepted, what lies beyond is refused with the field's name. */
final class DefinitionEdgesTest extends TestCase
{
    /** @return iterable<string, array{string, list<mixed>, list<mixed>}> field, what is accepted, what is refused */
    public static function fields(): iterable
    {
        yield 'name' => [
            'name',
            ['abc', str_repeat('n', 80), '  abc  '],
            ['ab', ' ab ', str_repeat('n', 81), '', null, 7],
        ];
        yield 'unit' => ['unit', ['u', str_repeat('u', 12)], ['', ' ', str_repeat('u', 13), null]];
        yield 'readings' => ['readings', [1, 10], [0, 11, -1, 1.5, '2', null]];
        yield 'cost' => ['cost_cents', [0, 1_000_000], [-1, 1_000_001, 0.5, 'free']];
        yield 'minutes' => ['minutes', [0, 0.5, 1440], [-0.1, 1440.1, NAN, INF, 'long']];
        yield 'source' => ['source', ['', str_repeat('s', 2000)], [str_repeat('s', 2001), 5]];
        yield 'code' => ['code', ['a', 'a-1', str_repeat('c', 40)], ['', 'A', 'a_b', '-a', str_repeat('c', 41), null]];
        yield 'probe' => ['probe', [null, 'ph', 'no3n'], ['', 'k', 1]];
        yield 'colour' => ['colour', [true, false], [1, 'true', null]];
        yield 'temperature' => [
            'celsius',
            [null, ['lowest' => 0, 'highest' => 60], ['lowest' => 19.9, 'highest' => 20]],
            [
                ['lowest' => -0.1, 'highest' => 20],
                ['lowest' => 0, 'highest' => 60.1],
                ['lowest' => 20, 'highest' => 20],
                ['lowest' => 30, 'highest' => 20],
                ['lowest' => 3],
                ['lowest' => 3, 'highest' => 9, 'usual' => 6],
                20,
            ],
        ];
    }

    /**
     * @param list<mixed> $accepted
     * @param list<mixed> $refused
     */
    #[DataProvider('fields')]
    public function test_the_ends_are_accepted_and_what_lies_beyond_is_refused(
        string $field,
        array $accepted,
        array $refused,
    ): void {
        $given = MethodLibrary::get('capsule-ph')->toArray();
        foreach ($accepted as $value) {
            $kept = MethodDefinition::of([$field => $value] + $given)->toArray();
            self::assertEquals($value, $kept[$field] ?? null, 'kept as it was given');
        }
        foreach ($refused as $value) {
            try {
                MethodDefinition::of([$field => $value] + $given);
                self::fail("{$field}: ".var_export($value, true).' was accepted');
            } catch (CoreError $error) {
                self::assertStringContainsString($field, $error->getMessage());
            }
        }
    }

    public function test_a_name_is_kept_without_the_spaces_about_it(): void
    {
        $given = MethodLibrary::get('capsule-ph')->toArray();
        self::assertSame('Burrow kit', MethodDefinition::of(['name' => ' Burrow kit '] + $given)->name);
    }

    public function test_a_field_too_many_is_refused(): void
    {
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage('brand');
        MethodDefinition::of(['brand' => 'x'] + MethodLibrary::get('capsule-ph')->toArray());
    }
}
