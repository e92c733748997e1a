<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Models\ReportQuestion;

/**
 * A result that is in an open question: Today asks for the answer, nothing is recommended from it, and it vouches for
 * no other.
 */
final class DoubtTest extends ReportTestCase
{
    public function test_an_open_question_waits_in_today_and_its_result_is_not_built_on_until_it_is_answered(): void
    {
        $area = $this->history('Acid moss', 5.1);
        $sample = $this->sample($area, '2026-09-15');
        $report = $this->take("sample,ph,SMP buffer pH\n{$this->portionOf($sample)},8.20,\n")->assertCreated();
        self::assertContains(
            'Answer a question of a report',
            array_column($this->api('GET', '/today', query: ['site_id' => $this->fen->id])->json('waiting'), 'text'),
        );
        $advice = fn (): array => [
            $this->api('GET', '/areas/{area}/recommendation', ids: ['area' => $area->id])->assertOk()->json('lab.ph'),
            $this->api('GET', '/areas/{area}/recommendation', ids: ['area' => $area->id])->json('pooled.composites'),
        ];
        self::assertSame([5.15, null], $advice(), 'the others of the area are built on, and agree');

        $question = ReportQuestion::query()->where('report_id', $report->json('id'))->firstOrFail();
        $this->api(
            'POST',
            '/report-questions/{question}',
            ['answer' => 'note', 'note' => 'Limed in August; it is right.'],
            ['question' => $question->id],
        )->assertOk();
        self::assertSame(5, $advice()[1], 'four others said lime: the newest alone does not overrule them');
        self::assertEqualsWithDelta((5.0 + 5.1 + 5.2 + 5.15 + 8.2) / 5, $advice()[0], 1e-9);
        self::assertNotContains(
            'Answer a question of a report',
            array_column($this->api('GET', '/today', query: ['site_id' => $this->fen->id])->json('waiting'), 'text'),
        );
    }

    public function test_results_in_an_open_question_are_no_history_for_the_next_report(): void
    {
        $area = $this->history('Acid moss', 5.1);
        foreach ([7.9, 8.0, 8.1, 8.0, 7.9] as $ph) {
            $first = $this->take("sample,ph\n{$this->portionOf($this->sample($area))},{$ph}\n")->assertCreated();
            self::assertSame(
                ['history'],
                array_column($first->json('asked'), 'kind'),
                'five results that were doubted do not make the sixth believed',
            );
        }
        $sound = $this->take("sample,ph\n{$this->portionOf($this->sample($area))},5.15\n")->assertCreated();
        self::assertSame([], $sound->json('asked'));
    }

    public function test_the_lab_the_team_began_with_is_heard_before_another(): void
    {
        $sample = $this->sample($this->ground('Long strip'), '2026-09-15');
        $this->read($sample, 'lab-ph', '5.40');
        $portion = \App\Models\Portion::query()->create([
            'sample_id' => $sample->id,
            'site_id' => $sample->site_id,
            'kind' => 'lab_b',
            'code' => 'RP26-71M-X',
        ]);
        $this->take("sample,pH water\n{$portion->code},5.90\n", [], $this->lab('Alder Laboratory'))->assertCreated();
        self::assertEqualsWithDelta(
            5.4,
            $this->api('GET', '/areas/{area}/recommendation', ids: ['area' => $sample->area_id])->json('lab.ph'),
            1e-9,
        );
    }

    public function test_who_waits_too_long_for_an_import_is_told_so_and_nothing_is_a_500(): void
    {
        $handler = app(\Illuminate\Contracts\Debug\ExceptionHandler::class);
        $request = \Illuminate\Http\Request::create(
            '/api/samples',
            'POST',
            server: ['HTTP_ACCEPT' => 'application/json'],
        );
        $busy = $handler->render($request, new \PDOException('SQLSTATE[HY000]: General error: 5 database is locked'));
        self::assertSame(409, $busy->getStatusCode());
        self::assertStringContainsString('Nothing was saved', (string) $busy->getContent());
        self::assertSame(
            500,
            $handler->render($request, new \PDOException('no such table: samples'))->getStatusCode(),
            'a fault stays a fault',
        );
    }
}
