<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Actions\Readings\RecordReading;
use App\Actions\Reports\ExportResults;
use App\Models\LabResult;
use App\Models\Reading;
use App\Models\ResultMark;
use HonestCore\Table\CsvTable;

/**
 * What goes out is what is stored: every result once, as it was reported and as it is kept, with what was left out and
 * why.
 */
final class ExportTest extends ReportTestCase
{
    public function test_every_result_goes_out_once_as_reported_and_as_kept(): void
    {
        $sample = $this->sample($this->ground('West'));
        $code = $this->portionOf($sample);
        $this->take("sample,lab no,ph,P Olsen (ppm),K2O (lb/acre)\n{$code},A7,6.10,<2,240\n")->assertCreated();
        $this->read($sample, 'kit-ph', '6.0', ['tap-water']);
        $first = Reading::query()->latest('id')->firstOrFail();
        app(RecordReading::class)($sample, $this->method('kit-ph'), $this->technician, [
            'typed' => '6.5',
            'read_on' => '2026-09-04',
            'reader' => 'Bram Heather',
            'flags' => [],
            'note' => '',
            'corrects_id' => $first->id,
        ]);
        ResultMark::leaveOut(
            LabResult::query()->where('kind', 'below')->get(),
            $this->technician,
            'The dilution was wrong.',
        );
        $json = json_decode(
            $this->get('/api/results.json')->assertOk()->streamedContent(),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        $rows = $json['results'];

        self::assertSame(ExportResults::COLUMNS, array_keys($rows[0]));
        self::assertSame(
            ['ph', 'p', 'k', 'ph', 'ph'],
            array_column($rows, 'analyte'),
            'what a report brought is not there twice',
        );
        self::assertSame(['6.10', '<2', '240', '6.0', '6.5'], array_column($rows, 'as_reported'));
        self::assertSame(['number', 'below', 'number', 'band', 'band'], array_column($rows, 'said'));
        self::assertSame(['water', 'olsen', '', '', ''], array_column($rows, 'extractant'));
        // 240 lb K2O an acre to 6 2/3 in: two pounds are one ppm, and 0.830 of K2O is K; the layer is 6 in, so that
        // 1.8 lb are one.
        self::assertEqualsWithDelta((240 * 0.8301) / 1.8, $rows[2]['value'], 0.1);
        self::assertSame(['lb/acre', 'ppm', 'K2O'], [$rows[2]['unit_reported'], $rows[2]['unit'], $rows[2]['form']]);
        self::assertSame(['', 'The dilution was wrong.', '', 'tap-water', ''], array_column($rows, 'left_out'));
        self::assertSame(
            ['', '', '', 'yes', ''],
            array_column($rows, 'superseded'),
            'what was corrected goes out and says so',
        );
        self::assertSame(
            [['A7', 'report.csv', '2026-09-20', ''], ['', '', '2026-09-04', 'Bram Heather']],
            array_map(
                static fn (int $i): array => [
                    $rows[$i]['lab_number'],
                    $rows[$i]['report'],
                    $rows[$i]['read_on'],
                    $rows[$i]['reader'],
                ],
                [0, 4],
            ),
        );
        foreach ($rows as $row) {
            self::assertSame($sample->code, $row['sample']);
        }

        // The same in both forms, cell by cell; a text that a spreadsheet would run has a mark before it.
        $table = CsvTable::parse($this->get('/api/results.csv')->assertOk()->streamedContent(), ExportResults::COLUMNS);
        self::assertCount(count($rows), $table->rows);
        foreach (array_values($table->rows) as $i => $cells) {
            foreach ($cells as $column => $cell) {
                $kept = $rows[$i][$column];
                is_float($kept) || is_int($kept)
                    ? self::assertEqualsWithDelta($kept, (float) $cell, 1e-9)
                    : self::assertSame((string) $kept, ltrim($cell, "'"), $column);
            }
        }
    }

    public function test_nothing_of_another_team_goes_out(): void
    {
        $this->take("sample,ph\n{$this->code()},6.1\n")->assertCreated();
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger);

        self::assertSame(
            ['results' => []],
            json_decode($this->get('/api/results.json')->assertOk()->streamedContent(), true),
        );
        self::assertSame(1, substr_count($this->get('/api/results.csv')->streamedContent(), "\n"), 'the header alone');
    }

    public function test_a_csv_comes_in_the_form_that_was_chosen(): void
    {
        $sample = $this->sample();
        $this->read($sample, 'lab-ph', '6.25');
        $text = $this->get('/api/results.csv?form=semicolon&mark=1')->assertOk()->streamedContent();
        self::assertStringStartsWith("\xEF\xBB\xBF", $text);
        self::assertStringContainsString(';6,25;', $text);
        self::assertStringContainsString(
            "{$sample->code}\t", $this->get('/api/ledger.csv?form=tab')->assertOk()->streamedContent(),
        );
        self::assertStringStartsNotWith("\xEF", $this->get('/api/results.csv')->streamedContent());
        $this->getJson('/api/ledger.csv?form=pipe')->assertUnprocessable()->assertJsonValidationErrors('form');
    }
}
