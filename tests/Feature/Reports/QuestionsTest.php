<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Actions\Reports\RecordAnswer;
use App\Models\Area;
use App\Models\CheckSoil;
use App\Models\LabResult;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\ReportQuestion;

final class QuestionsTest extends ReportTestCase
{
    public function test_each_sample_is_asked_about_what_does_not_fit(): void
    {
        [$one, $two] = [$this->code(), $this->code()];
        $report = $this->take(
            "sample,ph,smp_buffer_ph,sand %,silt %,clay %,Organic Matter %\n{$one},6.0,5.2,60,20,10,3\n{$two},6.2,6.8,40,40,20,31\n",
        )->assertCreated();

        self::assertSame(['texture', 'buffer', 'organic'], array_column($report->json('asked'), 'kind'));
        self::assertStringStartsWith("{$one}: sand, silt and clay add up to 90 %", $report->json('asked.0.words'));
        self::assertCount(3, $report->json('asked.0.result_ids'), 'the three shares, not the pH beside them');
    }

    public function test_two_samples_that_were_exchanged_are_found(): void
    {
        [$acid, $limy, $rest] = [
            $this->history('Acid moss', 5.1),
            $this->history('Lime bank', 7.4),
            $this->history('Long strip', 6.3),
        ];
        $good = $this->take(
            "sample,ph\n{$this->code($acid)},5.15\n{$this->code($limy)},7.35\n{$this->code($rest)},6.35\n",
        )->assertCreated();
        self::assertSame([], $good->json('asked'));
        [$one, $two] = [$this->code($acid), $this->code($limy)];
        $swapped = $this->take("sample,ph\n{$one},7.38\n{$two},5.12\n{$this->code($rest)},6.28\n")->assertCreated();

        self::assertSame('swap', $swapped->json('asked.0.kind'));
        self::assertStringContainsString("{$one} and {$two} look exchanged", $swapped->json('asked.0.words'));
        self::assertSame(['swap'], array_column($swapped->json('asked'), 'kind'));
    }

    public function test_a_shifted_batch_is_found(): void
    {
        $areas = array_map(fn (int $i): Area => $this->history("Strip {$i}", 5.4 + 0.3 * $i), range(0, 5));
        $rows = fn (float $shift): string => "sample,ph\n".
            implode(
                "\n",
                array_map(
                    fn (Area $area, int $i): string => $this->code($area).
                        ','.
                        number_format(5.4 + 0.3 * $i + $shift, 2),
                    $areas,
                    array_keys($areas),
                ),
            ).
            "\n";

        self::assertSame([], $this->take($rows(0.02))->assertCreated()->json('asked'));
        $shifted = $this->take(
            (string) preg_replace(
                ['/^sample,ph$/m', '/(\.\d\d)$/m'],
                ['sample,ph,P Olsen (ppm)', '$1,30'],
                $rows(0.38),
            ),
        )->assertCreated();
        $shift = array_values(
            array_filter($shifted->json('asked'), static fn (array $one): bool => $one['kind'] === 'shift'),
        )[0];
        self::assertCount(6, $shift['result_ids'], 'what is left out for a shifted pH is pH');
        self::assertStringContainsString(
            '6 of 6 samples lie above',
            implode(' ', array_column($shifted->json('asked'), 'words')),
        );
    }

    public function test_hidden_duplicates_that_disagree_and_a_check_soil_off_its_value_are_found(): void
    {
        $sample = $this->sample($this->ground('Sedge'));
        $portion = fn (array $more): Portion => Portion::query()->create(
            $more + ['site_id' => $this->fen->id, 'year' => 2026],
        );
        $hidden = $portion(['sample_id' => $sample->id, 'kind' => 'hidden', 'code' => 'RP26-91L-X', 'number' => 91]);
        $soil = CheckSoil::query()->create([
            'name' => 'Barn loess',
            'known' => ['ph' => ['value' => 6.2, 'uncertainty' => 0.1]],
            'note' => '',
        ]);
        $check = $portion(['check_soil_id' => $soil->id, 'kind' => 'check', 'code' => 'RP26-92L-Y', 'number' => 92]);
        $fine = $portion(['check_soil_id' => $soil->id, 'kind' => 'check', 'code' => 'RP26-93L-Z', 'number' => 93]);
        self::assertSame(
            [],
            $this->take("sample,ph\n{$fine->code},6.25\n")
                ->assertCreated()
                ->json('asked'),
        );
        $report = $this->take(
            "sample,ph\n{$this->portionOf($sample)},6.10\n{$hidden->code},6.60\n{$check->code},6.70\n",
        )->assertCreated();

        self::assertSame(['duplicate', 'check'], array_column($report->json('asked'), 'kind'));
        self::assertStringContainsString('more than the lab repeats itself (0.168)', $report->json('asked.0.words'));
        self::assertStringContainsString('beyond three sigma', $report->json('asked.1.words'));
    }

    public function test_a_result_that_was_corrected_by_hand_before_is_left_out_with_its_correction(): void
    {
        $sample = $this->sample($this->history('Acid moss', 5.1));
        $report = $this->take("sample,ph\n{$this->portionOf($sample)},8.2\n")->assertCreated();
        Reading::query()->where('as_reported', '8.2')->sole()->corrected([
            'value' => 8.1,
            'as_reported' => '8.1',
            'report_id' => null,
        ]);

        $this->api(
            'POST',
            '/report-questions/{question}',
            ['answer' => 'exclude', 'note' => 'The lab found a slip.'],
            ['question' => $report->json('asked.0.id')],
        )->assertOk();

        $standing = Reading::query()->where('sample_id', $sample->id)->whereDoesntHave('correction')->sole();
        self::assertSame(['8.1', [RecordAnswer::BREAK]], [$standing->as_reported, $standing->flags]);
        $out = array_column(
            (array) json_decode($this->get('/api/results.json')->streamedContent(), true, 512, JSON_THROW_ON_ERROR)['results'],
            'as_reported',
        );
        self::assertSame([1, 2], [count(array_keys($out, '8.2', true)), count(array_keys($out, '8.1', true))]);
    }

    public function test_a_question_is_answered_in_words_and_exclusion_is_seen_and_counts(): void
    {
        $area = $this->history('Acid moss', 5.1);
        $sample = $this->sample($area);
        $this->read($sample, 'kit-ph', '5.0');
        $report = $this->take("sample,ph\n{$this->portionOf($sample)},8.2\n")->assertCreated();
        $question = $report->json('asked.0.id');
        $answer = fn (string $what, string $note) => $this->api(
            'POST',
            '/report-questions/{question}',
            ['answer' => $what, 'note' => $note],
            ['question' => $question],
        );

        self::assertStringContainsString(
            'passed over in silence',
            $answer('exclude', '')->assertStatus(422)->json('errors.note.0'),
        );
        $answer('shrug', 'Whatever.')->assertStatus(422);
        self::assertSame(1, $this->api('GET', '/evidence')->json('rows.0.pairs'));
        $answer('recheck', 'Ordered by telephone.')
            ->assertOk()
            ->assertJson(['answer' => 'recheck', 'by' => 'Ada Fenwright']);
        $answer('exclude', 'The lab found a slip.')->assertOk();
        $answer('note', 'On second thought.')->assertStatus(409);

        self::assertSame(
            [0],
            [$this->api('GET', '/evidence')->json('rows.0.pairs')],
            'what was left out is no reference any more',
        );
        $seen = $this->api('GET', '/reports/{report}', ids: ['report' => $report->json('id')])->json('shown.0');
        self::assertSame(['The lab found a slip.', '8.2'], [$seen['excluded'], $seen['as_reported']]);
        self::assertSame(['lab-question'], Reading::query()->orderByDesc('id')->firstOrFail()->flags);
    }

    public function test_imports_tell_how_many_questions_are_open(): void
    {
        $this->take("sample,Organic Matter %\n{$this->code()},31\n{$this->code()},42\n")->assertCreated();
        self::assertSame(
            [2, 2, 2],
            [
                $this->api('GET', '/reports')->json('rows.0.results'),
                $this->api('GET', '/reports')->json('rows.0.questions'),
                $this->api('GET', '/reports')->json('rows.0.open'),
            ],
        );
        $this->api(
            'POST',
            '/report-questions/{question}',
            ['answer' => 'note', 'note' => 'Peat, as it should be.'],
            ['question' => ReportQuestion::query()->firstOrFail()->id],
        )->assertOk();

        self::assertSame(1, $this->api('GET', '/reports')->json('rows.0.open'));
        self::assertSame(2, LabResult::query()->where('excluded', '')->count());
    }
}
