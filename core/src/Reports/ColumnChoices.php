<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\Analyte;
use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Table\RuleTable;

/**
 * What a person may say a column of results holds, in the order it is offered.
 *
 * Source: the tables in data/analytes.json, data/soil-units.json and data/report-columns.json.
 */
final readonly class ColumnChoices
{
    /**
     * @param array<string, Analyte> $analytes
     * @param list<string> $units
     * @param list<string> $extractants
     * @param array<string, list<string>> $forms by analyte, where there is more than one
     */
    private function __construct(
        public array $analytes,
        public array $units,
        public array $extractants,
        public array $forms,
    ) {}

    public static function all(): self
    {
        /** @var array{extractants: list<array{code: string}>} $columns */
        $columns = RuleTable::named('report-columns');
        $forms = array_filter(
            array_map(static fn (Analyte $one): array => $one->forms, Analytes::all()),
            static fn (array $one): bool => count($one) > 1,
        );

        return new self(
            Analytes::all(),
            SoilUnit::codes(),
            array_values(array_unique(array_column($columns['extractants'], 'code'))),
            $forms,
        );
    }

    /**
     * @return array{analytes: list<array{code: string, name: string, home_unit: string, digits: int}>,
     * units: list<string>, extractants: list<string>, forms: list<array{analyte: string, forms: list<string>}>}
     */
    public function toArray(): array
    {
        return [
            'analytes' => array_map(
                static fn (Analyte $one): array => [
                    'code' => $one->code,
                    'name' => $one->name,
                    'home_unit' => $one->homeUnit,
                    'digits' => $one->digits,
                ],
                array_values($this->analytes),
            ),
            'units' => $this->units,
            'extractants' => $this->extractants,
            'forms' => array_map(
                static fn (string $analyte, array $forms): array => ['analyte' => $analyte, 'forms' => $forms],
                array_keys($this->forms),
                $this->forms,
            ),
        ];
    }
}
