<?php

declare(strict_types=1);

namespace Tests\Feature\Evidence;

use App\Models\RecordPair;
use App\Models\RecordSet;
use App\Models\SignedVerdict;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;
use Tests\Support\ApiDocument;

/** Old pairs of a kit and a lab out of a spreadsheet. */
final class RecordsTest extends ApiTestCase
{
    private const MAPPING = [
        'sample' => 0, 'reference' => 1, 'test' => 2, 'date' => 3, 'lot' => 4, 'reader' => null, 'year' => null, 'order' => 'ymd',
        'reference_unit' => '', 'test_unit' => '',
    ];

    /** A newcomer with twenty old pairs is at a verdict, marked as what it is. */
    public function test_twenty_old_pairs_are_shown_at_once_with_their_three_verdicts(): void
    {
        $preview = $this->sent('/preview', self::pairs(20))->assertOk();
        self::assertSame(['sample' => 0, 'reference' => 1, 'test' => 2, 'date' => 3, 'lot' => 4], array_filter(
            $preview->json('mapping'),
            static fn (mixed $said): bool => is_int($said),
        ));
        self::assertSame([[], 20, 20, 0], [
            $preview->json('asks'), $preview->json('rows'), $preview->json('samples'), $preview->json('left_out_total'),
        ]);
        self::assertSame(0, RecordSet::query()->count(), 'a look stores nothing');
        $this->sent('', self::pairs(20), self::about())->assertCreated();
        $alone = $this->evidence(['records' => 1]);
        $own = $this->evidence();

        self::assertTrue($alone->json('records_alone'));
        self::assertCount(20, $alone->json('pairs.rows'));
        self::assertSame(20, $alone->json('from_records'));
        self::assertSame('stands', $alone->json('claims.sort.computed.verdict'));
        self::assertTrue($alone->json('pairs.rows.0.from_records'));
        self::assertCount(0, $own->json('pairs.rows'), 'and beside own pairs they do not count unasked');
        self::assertSame('untested', $own->json('claims.sort.computed.verdict'));
    }

    public function test_they_count_beside_own_pairs_when_the_policy_says_so(): void
    {
        $this->sent('', self::pairs(20), self::about())->assertCreated();
        $area = $this->area();
        foreach (range(1, 3) as $i) {
            $this->pair($area, '5.0', '5.02');
        }
        self::assertCount(3, $this->evidence()->json('pairs.rows'));
        $this->actingAs($this->reviewer);
        $this->api('POST', '/policies', [
            'analyte' => 'ph', 'required' => 0.8, 'confidence' => 0.95, 'allowable' => 0.3, 'change' => 0.5, 'crops' => [],
            'blind' => false, 'records' => true, 'reason' => 'The old notebook is trusted.',
        ])->assertCreated();
        $both = $this->evidence();

        self::assertCount(23, $both->json('pairs.rows'));
        self::assertSame(20, $both->json('from_records'));
        self::assertSame(
            [['made here', 3], ['from records: old notebook.csv', 20]],
            array_values(array_map(
                static fn (array $row): array => [$row['group'], $row['n']],
                array_filter($both->json('strata'), static fn (array $row): bool => $row['by'] === 'where it comes from'),
            )),
        );
    }

    public function test_a_verdict_on_them_says_so_and_moves_when_they_are_withdrawn(): void
    {
        $set = $this->sent('', self::pairs(20), self::about())->assertCreated()->json('id');
        $this->actingAs($this->reviewer);
        $hash = $this->evidence(['records' => 1])->json('hash');
        $sign = fn (string $hash, bool $records) => $this->api('POST', '/evidence/{method}/verdicts', [
            'claim' => 'sort', 'hash' => $hash, 'follows_id' => null, 'scope' => 'Loam capsule kit on garden soils.', 'note' => '',
            'records' => $records, 'password' => 'peat',
        ], ['method' => $this->method('kit-ph')->id]);
        $sign($hash, false)->assertStatus(409);
        $signed = $sign($hash, true)->assertCreated();

        self::assertSame('stands', $signed->json('verdict'));
        self::assertTrue($signed->json('scope.records'));
        self::assertStringStartsWith('From records, how they were read not known: ', $signed->json('scope.text'));
        $verdict = SignedVerdict::query()->firstOrFail();
        $check = fn (): array => $this->api('GET', '/verdicts/{verdict}', ids: ['verdict' => $verdict->id])->assertOk()->json('check');
        self::assertSame([true, true, false], [$check()['pairs_hold'], $check()['row_holds'], $check()['moved']]);
        $line = fn (): array => array_column($this->api('GET', '/evidence')->json('rows'), null, 'method_id')[$verdict->method_id];
        self::assertFalse($line()['claims']['sort']['moved']);
        $this->api('POST', '/record-sets/{set}/withdraw', ids: ['set' => $set])->assertOk();
        self::assertTrue($check()['moved']);
        self::assertTrue($line()['claims']['sort']['moved'], 'the list says the same');
        self::assertCount(0, $this->evidence(['records' => 1])->json('pairs.rows'));
        self::assertNotNull($this->api('GET', '/evidence/{method}/records', ids: ['method' => $verdict->method_id])
            ->assertOk()->json('0.withdrawn_at'));
    }

    public function test_rows_that_hold_no_pair_are_told_and_nothing_is_guessed(): void
    {
        $text = "Sample,Lab pH,Kit,Date,Lot\nA,6.1,6.0,2024-05-01,L\nB,,6.0,2024-05-02,L\nC,6.1,6.2,2024-05-03,L\n".
            "D,61,6.0,2024-05-04,L\nE,6.1,6.0,someday,L\n,6.1,6.0,2024-05-05,L\nA,6.4,6.0,2024-05-06,L\nF,<5,5.5,2024-05-06,L\n";
        $preview = $this->sent('/preview', $text)->assertOk();

        self::assertSame(1, $preview->json('rows'));
        $why = array_column($preview->json('left_out'), 'reason', 'row');
        self::assertSame([3, 4, 5, 6, 7, 8, 9], array_keys($why));
        foreach ([
            3 => 'the lab: there is no value', 4 => '"6.2" is no band of the test', 5 => 'outside of what soil can give',
            6 => '"someday" is no date', 7 => 'names no sample', 8 => 'another value of the lab', 9 => 'no single number',
        ] as $row => $words) {
            self::assertStringContainsString($words, $why[$row]);
        }
    }

    public function test_what_is_open_is_asked_and_stores_nothing(): void
    {
        $noYear = "Sample,Lab pH,Kit\nA,6.1,6.0\n";
        $preview = $this->sent('/preview', $noYear)->assertOk();
        self::assertSame(['From which year are they? No column says it.'], $preview->json('asks'));
        self::assertSame(0, $preview->json('rows'));
        $mapping = ['date' => null, 'lot' => null] + self::MAPPING;
        $refused = $this->sent('', $noYear, ['mapping' => json_encode($mapping)] + self::about())->assertStatus(422);
        self::assertSame('records_open', $refused->json('code'));
        self::assertSame(0, RecordSet::query()->count());
        $this->sent('', $noYear, ['mapping' => json_encode(['year' => 2023] + $mapping)] + self::about())->assertCreated();
        self::assertSame(2023, RecordPair::query()->firstOrFail()->year);
        $pair = $this->evidence(['records' => 1])->json('pairs.rows.0');
        self::assertSame(['not recorded', 2023], [$pair['reader'], $pair['season']]);
        foreach (['{"sample":9}', '{"sample":0,"reference":0,"test":1,"year":2023}', '{"order":"xyz"}', '{"sample":"A"}'] as $bad) {
            $this->sent('/preview', $noYear, ['mapping' => $bad])->assertStatus(422);
        }
    }

    public function test_a_number_that_could_be_two_is_asked_about(): void
    {
        $this->lab('Bog Laboratory');
        $text = "Sample;Lab pH;Kit;Date\nA;6,1;6.0;2024-05-01\nB;7,2;7.0;2024-05-02\n";
        $preview = $this->sent('/preview', $text)->assertOk();

        self::assertSame([6.1, 7.2], array_column($preview->json('read'), 'reference'), 'decimal commas are read');
    }

    public function test_pairs_are_written_once_and_the_same_submission_is_taken_once(): void
    {
        $about = self::about();
        $this->sent('', self::pairs(5), $about)->assertCreated();
        $this->sent('', self::pairs(5), $about)->assertCreated();
        self::assertSame(1, RecordSet::query()->count());
        $this->sent('', self::pairs(6), $about)->assertStatus(409);
        foreach (['UPDATE record_pairs SET reference = 5', 'DELETE FROM record_pairs', "UPDATE record_sets SET says = 'x'"] as $sql) {
            try {
                RecordPair::query()->getConnection()->statement($sql);
                self::fail($sql);
            } catch (QueryException $refused) {
                self::assertStringContainsString('written once', $refused->getMessage());
            }
        }
    }

    public function test_another_team_sees_and_withdraws_nothing(): void
    {
        $set = $this->sent('', self::pairs(5), self::about())->assertCreated()->json('id');
        [$stranger] = $this->team('Moor crew', 'moor');
        $this->actingAs($stranger);

        $this->api('POST', '/record-sets/{set}/withdraw', ids: ['set' => $set])->assertNotFound();
        self::assertSame(0, RecordSet::query()->count());
    }

    private static function pairs(int $n): string
    {
        $text = "Sample,Lab pH,Kit reading,Date,Lot\n";
        for ($i = 0; $i < $n; $i++) {
            $band = ['5.0', '6.5', '7.5'][$i % 3];
            $text .= "N{$i},".((float) $band + 0.02).",{$band},".sprintf('2024-%02d-%02d', 4 + intdiv($i, 20), 1 + $i % 27).",L-9\n";
        }

        return $text;
    }

    /** @return array<string, string> */
    private static function about(): array
    {
        return [
            'mapping' => (string) json_encode(self::MAPPING),
            'use' => 'pasture',
            'says' => 'The notebook of the years before.',
            'submission' => (string) Str::uuid(),
            'name' => 'old notebook.csv',
        ];
    }

    /**
     * @param array<string, int> $query
     * @return TestResponse<Response>
     */
    private function evidence(array $query = []): TestResponse
    {
        return $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id], query: $query)->assertOk();
    }

    /**
     * @param array<string, mixed> $fields
     * @return TestResponse<Response>
     */
    private function sent(string $end, string $text, array $fields = []): TestResponse
    {
        $response = $this->post("/api/evidence/{$this->method('kit-ph')->id}/records{$end}", [
            'file' => UploadedFile::fake()->createWithContent('old notebook.csv', $text),
            'reference_id' => $this->method('lab-ph')->id,
            ...$fields,
        ], ['Accept' => 'application/json']);
        ApiDocument::assertMatches('POST', "/evidence/{method}/records{$end}", $response->status(), (string) $response->getContent());

        return $response;
    }
}
