<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Models\LabMapping;
use App\Models\LabReport;
use App\Models\LabResult;
use App\Models\Portion;
use App\Models\Reading;
use App\Models\TestMethod;
use PHPUnit\Framework\Attributes\DataProvider;

final class TakeReportTest extends ReportTestCase
{
    public function test_a_file_is_shown_as_it_would_be_stored_and_then_taken_as_it_was_shown(): void
    {
        $code = $this->code();
        $file = "Marl Laboratory;;;\r\n\r\nYour code;pH (water);P Mehlich-3 (ppm);K2O (lb/acre)\r\n{$code};6,12;<2;240,92\r\n";
        $shown = $this->preview($file)->assertOk();
        self::assertSame(
            [';', 3, true, false],
            [
                $shown->json('delimiter'),
                $shown->json('header_row'),
                $shown->json('decimal_comma'),
                $shown->json('remembered'),
            ],
        );
        self::assertSame(
            ['sample', 'result', 'result', 'result'],
            array_column($shown->json('mapping.columns'), 'role'),
        );
        self::assertSame([$code], array_values(array_unique(array_column($shown->json('results'), 'portion'))));
        // 240.92 lb/acre K2O are 200 lb/acre K; to 6 in that is 200 / 1.8 ppm.
        self::assertEqualsWithDelta([6.12, 2.0, 111.11], array_column($shown->json('results'), 'value'), 0.02);
        self::assertSame(0, LabResult::query()->count(), 'nothing is stored by looking');

        $taken = $this->take($file)->assertCreated();
        self::assertSame(
            [['6,12', 'number'], ['<2', 'below'], ['240,92', 'number']],
            LabResult::query()
                ->orderBy('id')
                ->get()
                ->map(static fn (LabResult $one): array => [$one->as_reported, $one->kind])
                ->all(),
        );
        self::assertSame(3, $taken->json('results'));
        self::assertSame(
            ['6,12', '240,92'],
            Reading::query()->orderBy('id')->pluck('as_reported')->all(),
            'what lies below the limit of detection is no reading',
        );
        self::assertTrue(
            $this->preview(str_replace('6,12', '6,20', $file))->json('remembered'),
            'the next file of this shape is read the same',
        );
        self::assertSame(1, LabMapping::query()->count());
    }

    public function test_the_same_file_again_changes_nothing(): void
    {
        $file = "sample,ph\n{$this->code()},6.1\n";
        $first = $this->take($file)->assertCreated()->json('id');
        $again = $this->take($file)->assertOk();

        self::assertSame([$first, true], [$again->json('id'), $again->json('taken_before')]);
        self::assertSame(
            [1, 1, 1],
            [LabReport::query()->count(), LabResult::query()->count(), Reading::query()->count()],
        );
    }

    public function test_a_file_with_one_bad_row_stores_nothing_and_near_misses_are_offered(): void
    {
        $code = $this->code();
        $wrong = substr_replace($code, $code[6] === '7' ? '8' : '7', 6, 1);
        $refused = $this->take("sample,ph\n{$code},6.1\n{$wrong},6.2\n{$code},6.3\n")->assertStatus(422);

        self::assertSame([3, 4], array_column($refused->json('rows'), 'row'));
        self::assertStringContainsString('is no portion for a lab of this team', $refused->json('rows.0.message'));
        self::assertStringContainsString('in row 2 already', $refused->json('rows.1.message'));
        self::assertSame(
            [0, 0, 0, 0],
            [
                LabReport::query()->count(),
                LabResult::query()->count(),
                Reading::query()->count(),
                LabMapping::query()->count(),
            ],
        );
        $near = $this->preview("sample,ph\n{$wrong},6.2\n")->json('results.0');
        self::assertNull($near['portion']);
        $this->take("sample,ph\n{$code},6.1\n{$wrong},6.2\nLAB CHECK 6.5,6.49\n", ['skip' => '3'])
            ->assertCreated()
            ->assertJsonPath('left_out.0.row', 3)
            ->assertJsonPath('left_out.1.row', 4);
        self::assertSame(1, LabResult::query()->count());
    }

    public function test_a_swapped_pair_of_characters_is_offered_as_what_was_meant(): void
    {
        $code = $this->code();
        $swapped = substr($code, 0, 2).$code[3].$code[2].substr($code, 4);
        $shown = $this->preview("sample,ph\n{$swapped},6.2\n")
            ->assertOk()
            ->json('results.0');

        self::assertContains($code, $shown['near']);
    }

    public function test_two_extractants_two_labs_and_two_instruments_are_never_one_series(): void
    {
        [$one, $two] = [$this->code(), $this->code()];
        $other = $this->lab('Peat Laboratory');
        $this->take("sample,P Mehlich-3 (ppm),P Olsen (ppm),P Mehlich-3 ICP (ppm)\n{$one},30,12,41\n")->assertCreated();
        $this->take("sample,P Mehlich-3 (ppm),pH\n{$two},33,6.2\n", lab: $other)->assertCreated();

        $series = TestMethod::query()
            ->whereIn('id', LabResult::query()->select('method_id'))
            ->orderBy('id')
            ->get()
            ->map(
                static fn (TestMethod $method): array => [
                    $method->lab_id,
                    $method->analyte,
                    $method->extractant,
                    $method->instrument,
                ],
            )
            ->all();
        self::assertSame(
            [
                [$this->lab->id, 'p', 'mehlich-3', ''],
                [$this->lab->id, 'p', 'olsen', ''],
                [$this->lab->id, 'p', 'mehlich-3', 'icp'],
                [$other->id, 'p', 'mehlich-3', ''],
                [$other->id, 'ph', 'water', ''],
            ],
            $series,
        );
        self::assertSame(
            $this->method('lab-ph')->id,
            TestMethod::query()->where('analyte', 'ph')->where('workplace', 'lab')->orderBy('id')->valueOrFail('id'),
            'the team\'s own reference stays what it was',
        );
    }

    public function test_the_first_lab_goes_on_in_the_series_it_began(): void
    {
        $code = $this->code();
        $this->take("sample,ph,mehlich_buffer_ph,smp_buffer_ph\n{$code},5.6,6.1,6.5\n")->assertCreated();

        self::assertSame(
            ['lab-ph', 'lab-mehlich', 'lab-smp'],
            Reading::query()
                ->orderBy('id')
                ->with('method')
                ->get()
                ->map(static fn (Reading $reading): string => $reading->method->code)
                ->all(),
        );
    }

    public function test_a_corrected_report_takes_the_place_of_a_result_that_was_corrected_by_hand_meanwhile(): void
    {
        $code = $this->code();
        $old = $this->take("sample,ph\n{$code},6.1\n")->assertCreated()->json('id');
        Reading::query()->sole()->corrected(['value' => 6.2, 'as_reported' => '6.2', 'report_id' => null]);

        $this->take("sample,ph\n{$code},6.4\n", ['supersedes_id' => $old])->assertCreated();

        self::assertSame(['6.4'], Reading::query()->whereDoesntHave('correction')->pluck('as_reported')->all());
    }

    public function test_a_corrected_report_takes_the_place_of_the_old_one_which_stays_visible(): void
    {
        $code = $this->code();
        $old = $this->take("sample,ph\n{$code},6.1\n")
            ->assertCreated()
            ->json('id');
        self::assertStringContainsString(
            'has a result by Marl Laboratory already',
            $this->take("sample,ph\n{$code},6.4\n")
                ->assertStatus(422)
                ->json('rows.0.message'),
        );
        $new = $this->take("sample,ph\n{$code},6.4\n", ['supersedes_id' => $old])->assertCreated();

        self::assertSame('report.csv', $new->json('supersedes'));
        $seen = $this->api('GET', '/reports/{report}', ids: ['report' => $old])->assertOk();
        self::assertSame(
            [true, '6.1', $new->json('id')],
            [$seen->json('shown.0.superseded'), $seen->json('shown.0.as_reported'), $seen->json('superseded_by.id')],
        );
        self::assertSame(['6.4'], Reading::query()->whereDoesntHave('correction')->pluck('as_reported')->all());
        self::assertStringContainsString(
            'was replaced already',
            $this->take("sample,ph\n{$code},6.5\n", ['supersedes_id' => $old])
                ->assertStatus(409)
                ->json('message'),
        );
        $this->take(
            "sample,ph\n{$code},6.5\n",
            ['supersedes_id' => $new->json('id')],
            $this->lab('Peat Laboratory'),
        )->assertStatus(409);
    }

    public function test_samples_are_known_by_code_portion_or_the_number_the_lab_gave_before(): void
    {
        $sample = $this->sample($this->ground('Sedge'));
        $this->take("sample,lab no,ph\n".strtolower($sample->code).",A-77,6.1\n")->assertCreated();
        self::assertSame($this->portionOf($sample), LabResult::query()->sole()->portion->code);
        $this->take("lab no,P Olsen (ppm)\nA-77,14\n")->assertCreated();

        self::assertSame(
            2,
            LabResult::query()
                ->where('portion_id', LabResult::query()->firstOrFail()->portion_id)
                ->count(),
        );
        self::assertStringContainsString(
            'is no portion',
            $this->take("lab no,P Olsen (ppm)\nA-77,15\n", lab: $this->lab('Peat Laboratory'))
                ->assertStatus(422)
                ->json('rows.0.message'),
            'another lab counts otherwise',
        );
    }

    public function test_long_tables_and_interchange_documents_are_taken_too(): void
    {
        [$one, $two] = [$this->code(), $this->code()];
        $this->take(
            "Sample ID\tAnalyte\tResult\tUnits\n{$one}\tpH\t6.2\t\n{$one}\tPotassium\t0.4\tcmol/kg\n{$one}\tZinc\tnot tested\tppm\n",
        )->assertCreated();
        $json = json_encode([
            'Events' => [
                [
                    'EventSamples' => [
                        'Soil' => [
                            'SoilSamples' => [
                                [
                                    'SampleMetaData' => ['FMISSampleID' => $two],
                                    'Depths' => [
                                        [
                                            'NutrientResults' => [
                                                ['Element' => 'pH', 'Value' => '6.3', 'ValueUnit' => 'none'],
                                            ],
                                        ],
                                    ],
                                ],
                            ],
                        ],
                    ],
                ],
            ],
        ]);
        $this->take((string) $json)->assertCreated();

        self::assertEqualsWithDelta([6.2, 156.4, 6.3], LabResult::query()->orderBy('id')->pluck('value')->all(), 0.05);
    }

    public function test_results_of_hidden_duplicates_and_check_soils_are_kept_and_are_no_readings_of_a_composite(): void
    {
        $sample = $this->sample($this->ground('Sedge'));
        $hidden = Portion::query()->create([
            'sample_id' => $sample->id,
            'site_id' => $this->fen->id,
            'kind' => 'hidden',
            'code' => 'RP26-91L-X',
            'year' => 2026,
            'number' => 91,
        ]);
        $this->take("sample,ph\n{$this->portionOf($sample)},6.1\n{$hidden->code},6.15\n")->assertCreated();

        self::assertSame([2, 1], [LabResult::query()->count(), Reading::query()->count()]);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'an empty file' => ['', [], 'empty'];
        yield 'no text' => ["PK\x03\x04\x00", [], 'no text'];
        yield 'a header alone' => ["sample,ph\n", [], 'no row below'];
        yield 'nothing that names a sample' => ["ph,p\n6.1,30\n", [], 'no column says which sample'];
        yield 'no results' => ["sample,comment\nA,fine\n", [], 'no column holds results'];
        yield 'a mapping that is none' => [
            "sample,ph\nA,6.1\n",
            ['mapping' => '{"columns": "all"}'],
            'The mapping is not one',
        ];
        yield 'a mapping of another file' => [
            "sample,ph\nA,6.1\n",
            ['mapping' => '{"columns": []}'],
            'the mapping names 0 columns',
        ];
        yield 'two sample columns' => [
            "sample,ph\nA,6.1\n",
            [
                'mapping' => '{"columns": '.
                    '[{"role":"sample","analyte":null,"form":"","unit":"","extractant":"","instrument":""},'.
                        '{"role":"sample","analyte":null,"form":"","unit":"","extractant":"","instrument":""}]}',
            ],
            '2 columns are said to be sample',
        ];
        yield 'a header that is not there' => [
            "sample,ph\nA,6.1\n",
            ['header_row' => '40'],
            'row 40 is empty or not there',
        ];
        yield 'a day to come' => ["sample,ph\nA,6.1\n", ['read_on' => '2126-01-01'], 'future'];
        yield 'a lab of nobody' => ["sample,ph\nA,6.1\n", ['lab_id' => '99999'], 'no such lab'];
        yield 'broken interchange' => ['{"Events": [', [], 'no JSON'];
        yield 'a document with entities' => [
            '<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><x>&a;</x>',
            [],
            'entities of its own',
        ];
    }

    /** @param array<string, mixed> $more */
    #[DataProvider('refused')]
    public function test_what_cannot_be_taken_is_refused_in_words(string $text, array $more, string $words): void
    {
        $answer = $this->take($text, $more)->assertStatus(422);

        self::assertStringContainsString($words, (string) json_encode($answer->json(), JSON_UNESCAPED_SLASHES));
        self::assertSame(0, LabReport::query()->count());
    }

    public function test_values_that_cannot_be_turned_or_read_name_their_row_and_column(): void
    {
        $code = $this->code();
        $rows = $this->take("sample,ph,P (ppm),Zn (bushels/acre)\n{$code},six,3 meq/100g,4\n")
            ->assertStatus(422)
            ->json('rows');

        self::assertStringContainsString('row 2, ph: "six" is no result', $rows[0]['message']);
        self::assertStringContainsString('phosphorus cannot be given in cmol/kg', $rows[1]['message']);
        self::assertStringContainsString('the unit "bushels/acre" is not understood', $rows[2]['message']);
    }

    /** Whatever the bytes are: taken, or refused in words with nothing stored. */
    public function test_malformed_files_in_the_thousands(): void
    {
        $this->withoutMiddleware(\Illuminate\Routing\Middleware\ThrottleRequests::class);
        $code = $this->code();
        $pieces = [
            "\n",
            "\r\n",
            ',',
            ';',
            "\t",
            '"',
            'sample',
            'ph',
            'P (ppm)',
            $code,
            'QH26-01L-1',
            '6.1',
            '6,1',
            '<0.5',
            '5-10',
            'trace',
            '',
            ' ',
            "\xE9",
            "\xEF\xBB\xBF",
            '=1+1',
            '-',
            'NaN',
            '1e999',
            '{',
            '<',
            "\x00",
            str_repeat('9', 40),
        ];
        mt_srand(97);
        [$taken, $refused] = [0, 0];
        for ($i = 0; $i < 2000; $i++) {
            $text = mt_rand(0, 2) === 0 ? "sample,ph\n" : '';
            for ($j = mt_rand(0, 24); $j > 0; $j--) {
                $text .= $pieces[mt_rand(0, count($pieces) - 1)];
            }
            $before = LabResult::query()->count();
            $status = $this->take($text)->status();
            self::assertContains($status, [200, 201, 422], $text);
            if ($status === 201) {
                $taken++;
                self::assertGreaterThan($before, LabResult::query()->count());
            } else {
                $refused++;
                self::assertSame($before, LabResult::query()->count(), $text);
            }
        }
        self::assertGreaterThan(1900, $refused);
        self::assertSame($taken, LabReport::query()->count());
        foreach (LabResult::query()->pluck('value') as $value) {
            self::assertTrue($value === null || is_finite((float) $value));
        }
    }

    public function test_all_of_it_goes_out_as_csv_and_json_with_formulas_made_harmless(): void
    {
        $code = $this->code();
        $this->take("sample,lab no,ph\n{$code},=cmd|' /C calc'!A0,6.1\n", ['name' => '@SUM(1).csv'])->assertCreated();
        $this->read($this->sample($this->ground('West')), 'kit-ph', '6.0');
        $csv = $this->get('/api/results.csv')->assertOk()->streamedContent();
        self::assertStringContainsString("'=cmd|", $csv);
        self::assertStringContainsString("'@SUM(1).csv", $csv);
        self::assertStringStartsWith(
            'sample,portion,kind,analyte,method,extractant,instrument,value,unit,as_reported',
            $csv,
        );
        $json = json_decode(
            $this->get('/api/results.json')->assertOk()->streamedContent(),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        self::assertSame(
            [[6.1, 'pH', 'water'], [null, 'pH', '']],
            array_map(
                static fn (array $row): array => [$row['value'], $row['unit'], $row['extractant']],
                $json['results'],
            ),
        );
        $this->getJson('/api/results.exe')->assertNotFound();
    }

    public function test_a_figure_of_many_digits_is_kept_as_it_was_reported(): void
    {
        $code = $this->code();
        $this->take("Sample,pH\n{$code},6.4321987654\n")->assertCreated();

        self::assertSame(['6.4321987654'], Reading::query()->pluck('as_reported')->all());
        self::assertSame(['6.4321987654'], LabResult::query()->pluck('as_reported')->all());
    }
}
