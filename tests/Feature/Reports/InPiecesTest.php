<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Actions\Reports\SettleReports;
use App\Database\Turn;
use App\Exceptions\Conflict;
use App\Models\Concerns\TakenScope;
use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\Reading;
use App\Models\ReportQuestion;
use App\Models\ResultMark;
use App\Models\Sample;
use App\Models\TestMethod;
use App\Record\VerifyRecord;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/** A report is stored in pieces that nobody sees; what is left of one that was cut off is settled. */
final class InPiecesTest extends ReportTestCase
{
    private Sample $sample;

    private LabReport $report;

    protected function setUp(): void
    {
        parent::setUp();
        Auth::setUser($this->technician);
        $this->sample = $this->sample($this->ground('Wether lease'));
    }

    public function test_nothing_of_a_report_that_is_being_taken_is_seen(): void
    {
        $this->inHand('taking');

        $this->getJson('/api/reports')->assertJsonPath('total', 0);
        $this->getJson("/api/reports/{$this->report->id}")->assertNotFound();
        self::assertStringNotContainsString('6.25', (string) $this->getJson("/api/samples/{$this->sample->id}")->getContent());
        self::assertStringNotContainsString('6.25', (string) $this->getJson('/api/side-by-side')->getContent());
        self::assertStringNotContainsString('6.25', $this->get('/api/results.csv')->streamedContent());
        self::assertSame(
            [0, 0, 0],
            [LabResult::query()->count(), Reading::query()->count(), ReportQuestion::query()->count()],
        );
        self::assertNull((app(VerifyRecord::class))($this->technician->team_id)->fault, 'it has no links, and needs none');
        try {
            $this->read($this->sample, 'lab-ph', '6.3');
            self::fail('two results would stand beside one another');
        } catch (Conflict $refused) {
            self::assertSame('result_there', $refused->reason);
        }
    }

    public function test_a_reading_that_a_report_in_hand_corrects_is_not_left_out_beside_it(): void
    {
        $this->read($this->sample, 'lab-smp', '6.8');
        $reading = Reading::query()->firstOrFail();
        $this->inHand('taking');
        TakenScope::admitting($this->report->id, fn () => Reading::query()->create(
            ['report_id' => $this->report->id, 'corrects_id' => $reading->id] +
                $reading->only([
                    'sample_id', 'portion_id', 'method_id', 'created_by', 'value', 'as_reported', 'read_on', 'reader', 'flags', 'note',
                ]),
        ));

        try {
            $reading->corrected(['note' => 'left out']);
            self::fail('two corrections of one reading');
        } catch (Conflict $refused) {
            self::assertSame('nothing_to_correct', $refused->reason);
        }
    }

    public function test_one_that_was_cut_off_while_its_rows_were_stored_leaves_nothing(): void
    {
        $this->read($this->sample, 'lab-smp', '6.8');
        $before = DB::table('readings')->count();
        $this->inHand('taking');

        self::assertSame(1, app(SettleReports::class)->leftBehind());
        self::assertSame(
            [$before, 0, 0, 0],
            [
                DB::table('readings')->count(),
                DB::table('lab_results')->count(),
                DB::table('result_marks')->count(),
                DB::table('lab_reports')->count(),
            ],
        );
        self::assertSame(0, DB::table('methods')->where('code', 'lab-marl')->count(), 'nor a method made for it');
    }

    public function test_one_whose_rows_were_all_stored_is_finished(): void
    {
        $this->inHand('sealing');

        self::assertSame(1, app(SettleReports::class)->leftBehind());
        $this->getJson("/api/reports/{$this->report->id}")->assertOk()->assertJsonPath('rows', 1);
        self::assertSame([1, 1], [LabResult::query()->count(), Reading::query()->count()]);
        self::assertNull((app(VerifyRecord::class))($this->technician->team_id)->fault);
        self::assertSame(
            [1, 1],
            array_map(
                static fn (string $table): int => DB::table('record_links')->where('table', $table)->count(),
                ['readings', 'lab_results'],
            ),
        );
    }

    public function test_a_report_that_was_taken_can_be_neither_hidden_nor_removed(): void
    {
        $this->take("sample,ph\n{$this->portionOf($this->sample)},6.1\n")->assertCreated();
        foreach (["UPDATE lab_reports SET state = 'taking'", 'DELETE FROM lab_results', 'DELETE FROM readings'] as $act) {
            try {
                DB::unprepared($act);
                self::fail("{$act} was let through");
            } catch (\PDOException $refused) {
                self::assertMatchesRegularExpression('/stays taken|written once/', $refused->getMessage());
            }
        }
    }

    public function test_a_second_report_of_the_team_waits_its_turn_and_is_then_told_so(): void
    {
        $turn = Turn::take(SettleReports::turn($this->technician->team_id));
        self::assertNotNull($turn);
        self::assertNull(Turn::take(SettleReports::turn($this->technician->team_id)), 'one has it at a time');
        $turn->giveBack();
        $this->take("sample,ph\n{$this->portionOf($this->sample)},6.1\n")->assertCreated();
    }

    private function inHand(string $state): void
    {
        $method = TestMethod::query()->create(
            ['code' => 'lab-marl', 'name' => 'Marl Laboratory, pH', 'lab_id' => $this->lab->id] +
                $this->method('lab-ph')->only(['analyte', 'workplace', 'lot']),
        );
        $portion = $this->sample->portions()->where('kind', 'lab')->firstOrFail();
        $this->report = LabReport::query()->create([
            'created_by' => $this->technician->id,
            'file_name' => 'cut-off.csv',
            'sha256' => str_repeat('a', 64),
            'rows' => 1,
            'lab_id' => $this->lab->id,
            'read_on' => '2026-09-20',
            'state' => $state,
        ]);
        $own = [
            'report_id' => $this->report->id,
            'portion_id' => $portion->id,
            'method_id' => $state === 'taking' ? $this->method('lab-ph')->id : $method->id,
            'value' => 6.25,
            'as_reported' => '6.25',
        ];
        TakenScope::admitting($this->report->id, function () use ($own, $state): void {
            $reading = Reading::query()->create($own + [
                'sample_id' => $this->sample->id,
                'created_by' => $this->technician->id,
                'read_on' => '2026-09-20',
                'reader' => 'Marl',
                'flags' => [],
                'note' => '',
            ]);
            $result = LabResult::query()->create($own + [
                'reading_id' => $reading->id,
                'row' => 2,
                'kind' => 'number',
                'unit' => '',
            ]);
            if ($state === 'taking') {
                ResultMark::query()->create([
                    'result_id' => $result->id,
                    'superseded_by' => $this->report->id,
                    'created_by' => $this->technician->id,
                ]);
            }
        });
    }
}
