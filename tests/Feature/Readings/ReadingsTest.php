<?php

declare(strict_types=1);

namespace Tests\Feature\Readings;

use App\Models\Lab;
use App\Models\LabReport;
use App\Models\Reading;
use App\Models\Sample;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;
use Tests\Support\ApiDocument;

final class ReadingsTest extends ApiTestCase
{
    public function test_a_kit_reading_is_kept_as_it_was_read(): void
    {
        $sample = $this->sample();
        $reading = $this->record($sample, 'kit-ph', '5.5', ['flags' => ['cloudy']])->assertCreated();

        self::assertSame(
            ['5.5', null, '5.5'],
            [$reading->json('band'), $reading->json('value'), $reading->json('as_reported')],
        );
        self::assertSame('liquid not clear when read', $reading->json('flags.0.name'));
        self::assertSame(
            $sample->portions()->where('kind', 'bench')->value('id'),
            Reading::query()->value('portion_id'),
        );
    }

    public function test_a_lab_reading_keeps_the_digits_it_came_with(): void
    {
        $reading = $this->record($this->sample(), 'lab-ph', '6.10')->assertCreated();

        self::assertSame(['6.10', 6.1], [$reading->json('as_reported'), (float) $reading->json('value')]);
    }

    /** @return iterable<string, array{string, string, array<string, mixed>, string, string}> */
    public static function refused(): iterable
    {
        yield 'a band the card lacks' => ['kit-ph', '5.7', [], 'reading', 'accepted are 4.5, 5.0'];
        yield 'a decimal comma' => [
            'lab-ph',
            '6,1',
            [],
            'reading',
            'is not a number; accepted is a number from 2.5 to 11',
        ];
        yield 'a slip of the pen' => ['lab-ph', '61', [], 'reading', 'no reading of soil'];
        yield 'an unknown flag' => ['kit-ph', '5.5', ['flags' => ['sneezed']], 'flags.0', 'invalid'];
        yield 'tomorrow week' => ['kit-ph', '5.5', ['read_on' => '2126-01-01'], 'read_on', 'future'];
        yield 'nothing' => ['kit-ph', '', [], 'reading', 'choose a band or type the number'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('refused')]
    public function test_it_is_refused_with_the_reason(
        string $method,
        string $typed,
        array $change,
        string $field,
        string $words,
    ): void {
        $response = $this->record($this->sample(), $method, $typed, $change)->assertStatus(422);

        self::assertStringContainsString($words, (string) ($response->json('errors')[$field][0] ?? ''));
        self::assertSame(0, Reading::query()->count());
    }

    public function test_a_correction_is_a_reading_of_its_own(): void
    {
        $sample = $this->sample();
        $old = $this->record($sample, 'lab-ph', '6.91')->json('id');
        $this->record($sample, 'lab-ph', '6.19')->assertStatus(409);
        $this->record($sample, 'lab-ph', '6.19', ['corrects_id' => $old, 'note' => 'Digits swapped.'])->assertCreated();
        $this->record($sample, 'lab-ph', '6.20', ['corrects_id' => $old])->assertStatus(409);
        $readings = $this->api('GET', '/samples/{sample}', ids: ['sample' => $sample->id])->json('readings');

        self::assertSame(
            [['6.91', true], ['6.19', false]],
            array_map(static fn (array $r): array => [$r['as_reported'], $r['corrected']], $readings),
        );
    }

    public function test_typed_results_are_stored_together_or_not_at_all(): void
    {
        $sample = $this->sample();
        $ids = array_map(fn (string $code): int => $this->method($code)->id, ['lab-ph', 'lab-mehlich', 'lab-smp']);
        $body = static fn (string ...$typed): array => [
            'read_on' => '2026-09-20',
            'results' => array_map(
                static fn (int $id, string $reading): array => ['method_id' => $id, 'reading' => $reading],
                $ids,
                $typed,
            ),
        ];

        $this->api('POST', '/samples/{sample}/results', $body('5.61', '6.12', 'high'), ['sample' => $sample->id])
            ->assertStatus(422)
            ->assertJsonValidationErrors('results.2.reading');
        self::assertSame(0, Reading::query()->count());
        $this->api('POST', '/samples/{sample}/results', $body('5.61', '6.12', '6.5'), ['sample' => $sample->id])
            ->assertCreated()
            ->assertJsonCount(3, 'readings');
        $this->api(
            'POST',
            '/samples/{sample}/results',
            ['read_on' => '2026-09-20', 'results' => []],
            ['sample' => $sample->id],
        )->assertStatus(422);
        self::assertSame(3, Reading::query()->count());
    }

    public function test_a_report_is_taken_by_code_of_composite_or_portion(): void
    {
        [$first, $second] = [$this->sample($area = $this->area()), $this->sample($area)];
        $lab = $second->portions()->where('kind', 'lab')->value('code');
        $report = $this->report(
            "sample;ph;smp_buffer_ph\r\n{$first->code};5.60;6.5\r\n".strtolower((string) $lab).";7.02;\r\n",
        )->assertCreated();

        self::assertSame([2, 3], [$report->json('rows'), $report->json('readings')]);
        self::assertSame('7.02', $second->readings()->value('as_reported'));
    }

    public function test_the_same_file_twice_changes_nothing(): void
    {
        $csv = "sample,ph\n{$this->sample()->code},5.60\n";
        $this->report($csv)->assertCreated()->assertJsonPath('taken_before', false);
        $this->report($csv)->assertOk()->assertJsonPath('taken_before', true);

        self::assertSame([1, 1], [Reading::query()->count(), LabReport::query()->count()]);
        $this->api('GET', '/reports')->assertOk()->assertJsonCount(1, 'rows');
    }

    public function test_one_bad_row_stores_nothing_and_every_bad_cell_is_named(): void
    {
        [$first, $second, $third] = [$this->sample($area = $this->area()), $this->sample($area), $this->sample($area)];
        $this->read($third, 'lab-ph', '6.00');
        $typo = substr($second->code, 0, -1).($second->code[-1] === 'A' ? 'B' : 'A');
        $rows = $this->report(
            "sample,ph,mehlich_buffer_ph\n{$first->code},5.60,6.1\n{$first->code},5.60,\n".
                "{$typo},5.5,\nZZ26-01-Y,5.5,\n{$second->code},high,66\n{$third->code},6.1,\n,6,\n",
        )
            ->assertStatus(422)
            ->json('rows');

        $expected = [
            [3, 'ph', 'in row 2 already'],
            [4, 'ph', 'is no portion for a lab of this team'],
            [5, 'ph', 'is no portion'],
            [6, 'mehlich_buffer_ph', 'is not possible in soil'],
            [7, 'ph', 'has a result'],
        ];
        self::assertSame(
            array_map(static fn (array $one): array => array_slice($one, 0, 2), $expected),
            array_map(static fn (array $row): array => [$row['row'], $row['field']], $rows),
        );
        foreach ($expected as $i => [, , $words]) {
            self::assertStringContainsString($words, $rows[$i]['message']);
        }
        foreach ($rows as $row) {
            self::assertStringContainsString("row {$row['row']}, {$row['field']}: ", $row['message']);
        }
        self::assertSame([1, 0], [Reading::query()->count(), LabReport::query()->count()]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function files(): iterable
    {
        yield 'no results' => ["sample,texture\nX,loam\n", 'no column holds results'];
        yield 'no samples' => ["ph,p\n6.1,30\n", 'no column says which sample'];
        yield 'a picture' => ["\x89PNG\r\n\x1a\n\xff\x00", 'no text'];
        yield 'nothing' => ["\n", 'the file is empty'];
    }

    #[DataProvider('files')]
    public function test_a_wrong_file_is_refused_with_what_is_accepted(string $text, string $words): void
    {
        $message = (string) $this->report($text)->assertStatus(422)->json('message');

        self::assertStringContainsString($words, $message);
        self::assertStringContainsString('accepted is', $message);
    }

    public function test_a_large_file_is_refused(): void
    {
        $this->report(str_repeat("sample,ph\n", 900_000))
            ->assertStatus(422)
            ->assertJsonPath('errors.file.0', 'The file is larger than 8 MB; accepted are files of up to 8 MB.');
    }

    /**
     * @param array<string, mixed> $change
     * @return TestResponse<Response>
     */
    private function record(Sample $sample, string $method, string $typed, array $change = []): TestResponse
    {
        return $this->api(
            'POST',
            '/samples/{sample}/readings',
            $change + [
                'method_id' => $this->method($method)->id,
                'reading' => $typed,
                'read_on' => '2026-09-03',
                'reader' => 'Ada Fenwright',
                'flags' => [],
                'note' => '',
            ],
            ['sample' => $sample->id],
        );
    }

    /** @return TestResponse<Response> */
    private function report(string $csv): TestResponse
    {
        $lab = Lab::query()->firstOrCreate(
            ['name' => 'Marl Laboratory'],
            [
                'address' => '',
                'email' => '',
                'turnaround_days' => 8,
                'transit_days' => 2,
                'holidays' => [],
                'bag_ml' => 400,
                'quarantine' => '',
                'tests' => [],
                'form' => [],
                'columns' => [],
            ],
        );
        $response = $this->post(
            '/api/reports',
            [
                'file' => UploadedFile::fake()->createWithContent('report.csv', $csv),
                'read_on' => '2026-09-20',
                'lab_id' => $lab->id,
            ],
            ['Accept' => 'application/json'],
        );
        ApiDocument::assertMatches('POST', '/reports', $response->status(), (string) $response->getContent());

        return $response;
    }
}
