<?php

declare(strict_types=1);

namespace StandIn;

/**
 * A report in one of three shapes, as labs differ: a plain table, a printed-looking one with titles, semicolons,
 * decimal commas, numbers of its own and other units, or a document for machines.
 *
 * @phpstan-type Row array{code: string, values: array<string, float>}
 */
final class Report
{
    public const SHAPES = ['table', 'titled', 'document'];

    private const ENDING = ['table' => 'csv', 'titled' => 'csv', 'document' => 'json'];

    private const HEADS = [
        'table' => [
            'ph' => 'pH (1:1 water)',
            'mehlich' => 'Mehlich buffer pH',
            'smp' => 'SMP buffer pH',
            'p' => 'P Mehlich-3 (ppm)',
            'k' => 'K Mehlich-3 (ppm)',
            'om' => 'Organic matter (%)',
        ],
        'titled' => [
            'ph' => 'pH water',
            'mehlich' => 'Buffer pH (Mehlich)',
            'smp' => 'Buffer pH (SMP)',
            'p' => 'Phosphorus as P2O5, Mehlich 3 (lb/acre)',
            'k' => 'Potassium as K2O, Mehlich 3 (lb/acre)',
            'om' => 'Organic matter (%)',
        ],
        'document' => [
            'ph' => 'pH',
            'mehlich' => 'Buffer pH',
            'smp' => 'Buffer pH',
            'p' => 'P',
            'k' => 'K',
            'om' => 'OM',
        ],
    ];

    private const METHODS = [
        'ph' => '1:1 water',
        'mehlich' => 'Mehlich',
        'smp' => 'SMP',
        'p' => 'Mehlich-3',
        'k' => 'Mehlich-3',
        'om' => '',
    ];

    private const UNITS = ['ph' => 'pH', 'mehlich' => 'pH', 'smp' => 'pH', 'p' => 'ppm', 'k' => 'ppm', 'om' => '%'];

    /** Oxide for element, and two pounds an acre for each ppm in 6 2/3 inches, which is 1.8 in 6. */
    private const TITLED_FACTOR = ['p' => 2.2914 * 1.8, 'k' => 1.2046 * 1.8];

    public static function name(string $shape, string $id, string $which): string
    {
        return "report-{$id}{$which}.".self::ENDING[$shape];
    }

    /** @param list<Row> $rows */
    public static function write(string $shape, string $id, string $day, array $rows, float $check): string
    {
        return match ($shape) {
            'titled' => self::titled($id, $day, $rows, $check),
            'document' => self::document($id, $rows),
            default => self::table($rows, $check),
        };
    }

    /** @param list<Row> $rows */
    private static function table(array $rows, float $check): string
    {
        $tests = self::asked($rows);
        $lines = [
            implode(',', [
                'sample',
                ...array_map(static fn (string $test): string => self::HEADS['table'][$test], $tests),
            ]),
        ];
        foreach ($rows as $row) {
            $lines[] = implode(',', [
                $row['code'],
                ...array_map(
                    static fn (string $test): string => self::figure($test, $row['values'][$test] ?? null),
                    $tests,
                ),
            ]);
        }
        $lines[] = implode(',', [
            'LAB CHECK 6.5',
            ...array_map(static fn (string $test): string => $test === 'ph' ? self::figure('ph', $check) : '', $tests),
        ]);

        return implode("\n", $lines)."\n";
    }

    /** @param list<Row> $rows */
    private static function titled(string $id, string $day, array $rows, float $check): string
    {
        $tests = self::asked($rows);
        $comma = static fn (string $test, ?float $value): string => str_replace(
            '.',
            ',',
            self::figure($test, $value === null ? null : $value * (self::TITLED_FACTOR[$test] ?? 1.0)),
        );
        $lines = [
            "Soil report {$id};;",
            "Reported;{$day};",
            ';;',
            implode(';', [
                'Lab no.',
                'Your code',
                'Depth',
                ...array_map(static fn (string $test): string => self::HEADS['titled'][$test], $tests),
            ]),
        ];
        foreach ($rows as $i => $row) {
            $lines[] = implode(';', [
                substr($id, 1, 5).'/'.($i + 1),
                $row['code'],
                '0-6 in',
                ...array_map(static fn (string $test): string => $comma($test, $row['values'][$test] ?? null), $tests),
            ]);
        }
        $lines[] = implode(';', [
            '',
            'LAB CHECK 6,5',
            '',
            ...array_map(static fn (string $test): string => $test === 'ph' ? $comma('ph', $check) : '', $tests),
        ]);

        return "\xEF\xBB\xBF".implode("\r\n", $lines)."\r\n";
    }

    /** @param list<Row> $rows */
    private static function document(string $id, array $rows): string
    {
        $samples = [];
        foreach ($rows as $i => $row) {
            $results = [];
            foreach ($row['values'] as $test => $value) {
                $results[] = [
                    'Element' => self::HEADS['document'][$test],
                    'Value' => self::figure($test, $value),
                    'ValueUnit' => self::UNITS[$test],
                    'ModusTestID' => self::METHODS[$test],
                ];
            }
            $samples[] = [
                'SampleMetaData' => [
                    'SampleNumber' => $row['code'],
                    'LabSampleID' => substr($id, 1, 5).'-'.($i + 1),
                ],
                'Depths' => [['DepthID' => '1', 'NutrientResults' => $results]],
            ];
        }

        return json_encode(
            [
                'Events' => [
                    [
                        'EventMetaData' => ['EventCode' => $id],
                        'EventSamples' => [
                            'Soil' => [
                                'DepthRefs' => [
                                    [
                                        'DepthID' => '1',
                                        'StartingDepth' => '0',
                                        'EndingDepth' => '6',
                                        'ColumnDepthUnit' => 'in',
                                    ],
                                ],
                                'SoilSamples' => $samples,
                            ],
                        ],
                    ],
                ],
            ],
            JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR,
        )."\n";
    }

    /**
     * @param list<Row> $rows
     * @return list<string> what was asked for of any of them
     */
    private static function asked(array $rows): array
    {
        return array_values(
            array_filter(
                array_keys(self::METHODS),
                static fn (string $test): bool => array_filter(
                    $rows,
                    static fn (array $row): bool => isset($row['values'][$test]),
                ) !== [],
            ),
        );
    }

    private static function figure(string $test, ?float $value): string
    {
        return $value === null ? '' : number_format($value, ['p' => 0, 'k' => 0, 'om' => 1][$test] ?? 2, '.', '');
    }
}
