<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Table\RuleTable;

/**
 * What a person may say a column of results holds, in the order it is offered: each of it is understood by SoilUnit and ColumnGuess.
 *
 * Source: the tables in data/report-rules.json, data/soil-units.json and data/report-columns.json.
 */
final readonly class ColumnChoices
{
    /**
     * @param list<array{string, string}> $analytes code and name
     * @param list<string> $units
     * @param list<string> $extractants
     * @param array<string, list<string>> $forms by analyte, where there is more than one
     */
    private function __construct(public array $analytes, public array $units, public array $extractants, public array $forms) {}

    public static function all(): self
    {
        /** @var array{names: array<string, string>} $rules */
        $rules = RuleTable::named('report-rules');
        /** @var array{units: array<string, mixed>, forms: array<string, string>} $units */
        $units = RuleTable::named('soil-units');
        /** @var array{extractants: list<array{code: string}>} $columns */
        $columns = RuleTable::named('report-columns');
        $forms = [];
        foreach ($units['forms'] as $form => $analyte) {
            $forms[$analyte][] = $form;
        }

        return new self(
            array_map(static fn (string $code, string $name): array => [$code, $name], array_keys($rules['names']), $rules['names']),
            array_keys($units['units']), array_values(array_unique(array_column($columns['extractants'], 'code'))), array_filter($forms, static fn (array $one): bool => count($one) > 1),
        );
    }

    /** @return array{analytes: list<array{code: string, name: string}>, units: list<string>, extractants: list<string>, forms: list<array{analyte: string, forms: list<string>}>} */
    public function toArray(): array
    {
        return [
            'analytes' => array_map(static fn (array $one): array => ['code' => $one[0], 'name' => $one[1]], $this->analytes), 'units' => $this->units, 'extractants' => $this->extractants,
            'forms' => array_map(static fn (string $analyte, array $forms): array => ['analyte' => $analyte, 'forms' => $forms], array_keys($this->forms), $this->forms),
        ];
    }
}
