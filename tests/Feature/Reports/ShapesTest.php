<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Actions\Reports\LineProblem;
use App\Actions\Reports\ReportFile;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Reports\ReportedValue;
use Tests\Support\StandInProcess;

/**
 * The three shapes of the simulated lab's report hold the same soil: read by their own names and units they give the
 * same numbers.
 */
final class ShapesTest extends ReportTestCase
{
    public function test_a_table_a_titled_sheet_and_a_document_give_the_same_numbers(): void
    {
        $standIn = StandInProcess::start();
        try {
            $read = [];
            foreach (['table', 'titled', 'document'] as $shape) {
                $this->ask($standIn, 'clock', ['shape' => $shape, 'slip' => 'none']);
                $this->ask($standIn, 'soils', [
                    'reference' => "shapes {$shape}",
                    'soils' => array_combine(
                        ['RP26-01L-X', 'RP26-02L-X', 'RP26-03L-X'],
                        array_map(
                            static fn (int $n): array => [
                                'token' => "soil {$n}",
                                'ground' => 'one ground',
                                'ph' => 5.0 + 0.3 * $n,
                            ],
                            [1, 2, 3],
                        ),
                    ),
                ]);
                $id = $this->ask($standIn, 'consignments', [
                    'reference' => "shapes {$shape}",
                    'transit_days' => 1,
                    'turnaround_days' => 1,
                    'portions' => array_map(
                        static fn (int $n): array => [
                            'code' => "RP26-0{$n}L-X",
                            'tests' => ['ph', 'mehlich', 'p', 'k', 'om'],
                        ],
                        [1, 2, 3],
                    ),
                ])['id'];
                $this->ask($standIn, 'clock', ['advance_days' => 20]);
                $name = json_decode((string) file_get_contents("{$standIn->address}/consignments/{$id}"), true)[
                    'reports'
                ][0];
                $read[$shape] = $this->numbers(
                    (string) file_get_contents("{$standIn->address}/consignments/{$id}/reports/{$name}"),
                );
            }
        } finally {
            $standIn->stop();
        }

        self::assertCount(15, $read['table']);
        foreach (['titled', 'document'] as $shape) {
            self::assertSame(array_keys($read['table']), array_keys($read[$shape]), $shape);
            foreach ($read['table'] as $what => $value) {
                // Both are rounded as they are written: pH to a hundredth, ppm and pounds to whole ones.
                self::assertEqualsWithDelta(
                    $value,
                    $read[$shape][$what],
                    str_contains($what, 'pH') || str_contains($what, 'ph') ? 0.006 : max(0.6, 0.006 * $value),
                    "{$shape}, {$what}",
                );
            }
        }
    }

    /** @return array<string, float> by sample, analyte and extractant, in home units */
    private function numbers(string $bytes): array
    {
        $file = ReportFile::of($bytes, null);
        $numbers = [];
        foreach ($file->reading($file->mapping($this->lab)[0], null)->lines() as $line) {
            if ($line->value->kind === ReportedValue::NUMBER && str_starts_with($line->sample, 'RP26')) {
                self::assertNull(LineProblem::of($line));
                $numbers["{$line->sample} {$line->column->analyte} {$line->column->extractant}"] =
                    $line->home($line->value->number, DepthLayer::ofInches(0, 6), null) ?? NAN;
            }
        }
        ksort($numbers);

        return $numbers;
    }

    /**
     * @param array<string, mixed> $body
     * @return array<string, mixed>
     */
    private function ask(StandInProcess $standIn, string $path, array $body): array
    {
        $context = stream_context_create([
            'http' => [
                'method' => 'POST',
                'ignore_errors' => true,
                'header' => 'Content-Type: application/json',
                'content' => json_encode($body, JSON_THROW_ON_ERROR),
            ],
        ]);

        return (array) json_decode((string) file_get_contents("{$standIn->address}/{$path}", false, $context), true);
    }
}
