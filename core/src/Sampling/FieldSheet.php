<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * What goes into the field: the tools that follow from the tests wanted, the steps, the cautions.
 *
 * Source: the table in data/field-sheet.json.
 */
final readonly class FieldSheet
{
    /**
     * @param list<string> $tools
     * @param list<string> $steps
     * @param list<string> $cautions
     */
    private function __construct(public array $tools, public array $steps, public array $cautions) {}

    /**
     * @param list<string> $tests codes of the table
     *
     * @throws BadTable
     * @throws ValueOutOfRange for a test that the table lacks
     */
    public static function for(array $tests, int $layers, Pattern $pattern): self
    {
        /**
         * @var array{tests: array<string, string>, tools: list<array{what: string, tests: list<string>, layers?: int,
         * pattern?: string}>, steps: list<string>, nitrate_step: string, cautions: list<string>, lead_caution: string}
         * $table
         */
        $table = RuleTable::named('field-sheet');
        foreach ($tests as $test) {
            if (! isset($table['tests'][$test])) {
                throw new ValueOutOfRange('no_test_list', [
                    'test' => $test,
                    'known' => implode(', ', array_keys($table['tests'])),
                ]);
            }
        }
        $tools = array_filter(
            $table['tools'],
            static fn (array $tool): bool => ($tool['tests'] === [] || array_intersect($tool['tests'], $tests) !== []) &&
                $layers >= ($tool['layers'] ?? 1) &&
                ($tool['pattern'] ?? $pattern->value) === $pattern->value,
        );
        $nitrate = in_array('nitrate', $tests, true);

        return new self(
            array_column($tools, 'what'),
            $nitrate
                ? [...array_slice($table['steps'], 0, 3), $table['nitrate_step'], $table['steps'][3]]
                : $table['steps'],
            in_array('lead', $tests, true) ? [...$table['cautions'], $table['lead_caution']] : $table['cautions'],
        );
    }

    /**
     * @return array<string, string> name by code
     *
     * @throws BadTable
     */
    public static function tests(): array
    {
        /** @var array<string, string> $tests */
        $tests = RuleTable::named('field-sheet')['tests'];

        return $tests;
    }
}
