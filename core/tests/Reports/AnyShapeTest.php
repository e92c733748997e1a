<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Quantity\DepthLayer;
use HonestCore\Reports\ReportFacts;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** Whatever shape a table is written in, the same soil is read from it. */
#[CoversClass(ReportFacts::class)]
final class AnyShapeTest extends TestCase
{
    /** Factors from the definitions of the units, for a layer of 0-6 in at 1.32 g/cm3. */
    private const UNITS = [
        'ppm' => 1.0,
        'mg/kg' => 1.0,
        'mg kg-1' => 1.0,
        'µg/g' => 1.0,
        'mg/100 g' => 0.1,
        'g/kg' => 1e-3,
        'ppb' => 1e3,
        'lb/acre' => 1.8,
        'lbs per acre' => 1.8,
        '#/A' => 1.8,
        'kg/ha' => 15.24 * 1.32 * 0.1,
        'lb/1,000 sq ft' => 1.8 / 43.56,
    ];

    /** names, extractants, lowest and highest in ppm */
    private const ANALYTES = [
        'p' => [['P', 'Phosphorus', 'Phosphor', 'Fósforo'], ['Mehlich-3', 'Olsen', 'Bray-1'], 2, 300],
        'k' => [['K', 'Potassium', 'Kalium', 'Potasio'], ['Mehlich-3', 'NH4OAc', 'ammonium acetate'], 20, 900],
        'ca' => [['Ca', 'Calcium', 'Calcio'], ['Mehlich-3', 'NH4OAc'], 200, 9000],
        'mg' => [['Mg', 'Magnesium', 'Magnesio'], ['Mehlich-3', 'CaCl2'], 15, 900],
        's' => [['S', 'Sulphur', 'Sulfur', 'Schwefel'], ['Mehlich-3', 'monocalcium phosphate'], 2, 80],
        'zn' => [['Zn', 'Zinc', 'Zink'], ['DTPA', 'Mehlich-3'], 0.2, 30],
        'mn' => [['Mn', 'Manganese', 'Mangan'], ['DTPA'], 1, 300],
        'cu' => [['Cu', 'Copper', 'Kupfer', 'Cuivre'], ['DTPA'], 0.2, 20],
        'b' => [['B', 'Boron', 'Bor'], ['hot water'], 0.1, 5],
    ];

    public function test_one_soil_written_in_six_hundred_shapes_is_read_the_same(): void
    {
        mt_srand(20260913);
        for ($i = 0; $i < 600; $i++) {
            [$text, $truth] = self::shape($i);
            $facts = ReportFacts::of($text, DepthLayer::ofInches(0, 6), 1.32);
            /** @var list<array{sample: string, analyte: string, home_value: float|null}> $results */
            $results = $facts['results'];
            $found = [];
            foreach ($results as $result) {
                $found["{$result['sample']} {$result['analyte']}"] = $result['home_value'];
            }
            self::assertSame([], $facts['questions'], $text);
            self::assertSame(count($truth), count($found), $text);
            foreach ($truth as $key => $value) {
                self::assertNotNull($found[$key] ?? null, "{$key} of\n{$text}");
                // Written with five digits, read to that.
                self::assertEqualsWithDelta($value, $found[$key], 2e-4 * $value, "{$key} of\n{$text}");
            }
        }
    }

    /** A thousand columns are read at once: the cost of a header grows with its columns and no faster. */
    public function test_very_wide_tables_are_read_whole(): void
    {
        $names = array_map(static fn (int $i): string => "Zn{$i} (DTPA) ppm", range(1, 1000));
        $text = 'Sample,'.implode(',', $names)."\nA,".implode(',', range(1, 1000))."\n";

        self::assertCount(
            1000,
            (array) ReportFacts::of(
                str_replace(array_map(static fn (int $i): string => "Zn{$i} ", range(1, 1000)), 'Zn ', $text),
                DepthLayer::ofInches(0, 6),
                1.32,
            )['results'],
        );
    }

    /** @return array{string, array<string, float>} the text, and ppm by sample and analyte */
    private static function shape(int $i): array
    {
        $analytes = array_keys(self::ANALYTES);
        shuffle($analytes);
        $analytes = array_slice($analytes, 0, mt_rand(2, 6));
        $comma = mt_rand(0, 1) === 1;
        $separator = $comma ? [';', "\t", '|'][mt_rand(0, 2)] : [',', ';', "\t"][mt_rand(0, 2)];
        /** @var array<string, array{string, string, string}> $columns */
        $columns = [];
        $soil = [];
        $samples = array_map(static fn (int $n): string => "FN26-{$i}-{$n}", range(1, mt_rand(1, 4)));
        foreach ($analytes as $code) {
            [$names, $extractants, $low, $high] = self::ANALYTES[$code];
            $columns[$code] = [
                $names[mt_rand(0, count($names) - 1)],
                $extractants[mt_rand(0, count($extractants) - 1)],
                array_rand(self::UNITS),
            ];
            foreach ($samples as $sample) {
                $soil["{$sample} {$code}"] = $low * ($high / $low) ** (mt_rand(0, 1000) / 1000);
            }
        }
        $written = static function (string $sample, string $code) use ($soil, $columns, $comma): string {
            $value = $soil["{$sample} {$code}"] * self::UNITS[$columns[$code][2]];
            $digits = max(1, 5 - (int) floor(log10($value)));
            $text = number_format($value, $digits === 3 ? 4 : $digits, '.', '');

            return $comma ? str_replace('.', ',', $text) : $text;
        };
        $quote = static fn (string $cell): string => str_contains($cell, $separator) || str_contains($cell, '"')
            ? '"'.str_replace('"', '""', $cell).'"'
            : $cell;
        $rows = match (mt_rand(0, 3)) {
            0 => self::wide($samples, $columns, $written),
            1 => self::underneath($samples, $columns, $written),
            2 => self::long($samples, $columns, $written),
            default => self::turned($samples, $columns, $written),
        };
        $text = implode(
            mt_rand(0, 1) === 1 ? "\r\n" : "\n",
            array_map(static fn (array $row): string => implode($separator, array_map($quote, $row)), $rows),
        );

        return [(mt_rand(0, 3) === 0 ? "\xEF\xBB\xBF" : '').$text."\n", $soil];
    }

    /**
     * @param list<string> $samples
     * @param array<string, array{string, string, string}> $columns
     * @return list<list<string>>
     */
    private static function wide(array $samples, array $columns, \Closure $written): array
    {
        $form = ['%s (%s) %s', '%s, %s, %s', '%1$s %2$s (%3$s)', '%2$s %1$s [%3$s]'][mt_rand(0, 3)];
        $header = array_map(static fn (array $one): string => sprintf($form, ...$one), array_values($columns));

        return [
            ['Sample ID', ...$header],
            ...array_map(
                static fn (string $sample): array => [
                    $sample,
                    ...array_map(static fn (string $code): string => $written($sample, $code), array_keys($columns)),
                ],
                $samples,
            ),
        ];
    }

    /**
     * @param list<string> $samples
     * @param array<string, array{string, string, string}> $columns
     * @return list<list<string>>
     */
    private static function underneath(array $samples, array $columns, \Closure $written): array
    {
        $rows = [
            ['Sample', ...array_column($columns, 0)],
            ['Method', ...array_column($columns, 1)],
            ['Unit', ...array_column($columns, 2)],
        ];

        return [
            ...$rows,
            ...array_map(
                static fn (string $sample): array => [
                    $sample,
                    ...array_map(static fn (string $code): string => $written($sample, $code), array_keys($columns)),
                ],
                $samples,
            ),
        ];
    }

    /**
     * @param list<string> $samples
     * @param array<string, array{string, string, string}> $columns
     * @return list<list<string>>
     */
    private static function long(array $samples, array $columns, \Closure $written): array
    {
        $rows = [['Sample', 'Analyte', 'Method', 'Result', 'Units']];
        foreach ($samples as $sample) {
            foreach ($columns as $code => [$name, $extractant, $unit]) {
                $rows[] = [$sample, $name, $extractant, $written($sample, $code), $unit];
            }
        }

        return $rows;
    }

    /**
     * @param list<string> $samples
     * @param array<string, array{string, string, string}> $columns
     * @return list<list<string>>
     */
    private static function turned(array $samples, array $columns, \Closure $written): array
    {
        $rows = [['Parameter', 'Unit', ...$samples]];
        foreach ($columns as $code => [$name, $extractant, $unit]) {
            $rows[] = [
                "{$name} ({$extractant})",
                $unit,
                ...array_map(static fn (string $sample): string => $written($sample, $code), $samples),
            ];
        }

        return $rows;
    }
}
