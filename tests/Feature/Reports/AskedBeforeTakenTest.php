<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Models\LabResult;
use App\Models\Reading;
use App\Models\ReportPaper;
use App\Models\ReportQuestion;
use App\Models\TestMethod;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Tests\Support\PngFile;

/**
 * What a file leaves open is shown before it is taken, settled by a person, or kept as a question; it is never taken
 * for something.
 */
final class AskedBeforeTakenTest extends ReportTestCase
{
    /** A column shows one of its cells before and after: the first that becomes a value, not the trace above it. */
    public function test_the_example_of_a_column_is_a_cell_that_says_something(): void
    {
        [$one, $other] = [$this->code(), $this->code()];
        $shown = $this->preview("sample,P Mehlich-3 (lb/acre)\n{$one},trace\n{$other},64\n")->assertOk();

        $example = $shown->json('understood.1.example');
        self::assertSame('64', $example['cell']);
        self::assertEqualsWithDelta(64 / 1.8, $example['value'], 1e-9);
    }

    public function test_a_unit_that_is_not_understood_is_asked_and_never_the_usual_one(): void
    {
        $code = $this->code();
        $file = "sample,K Mehlich-3 (kg/rai),P Olsen\n{$code},40,12\n";
        $shown = $this->preview($file)->assertOk();
        self::assertSame(
            ['', 'kg/rai" is not understood', 'no unit that is known is written'],
            array_map(
                static fn (array $one): string => $one['doubts'] === []
                    ? ''
                    : (string) preg_replace(
                        '/^.*(kg\/rai" is not understood|no unit that is known is written).*$/',
                        '$1',
                        $one['doubts'][0]['words'],
                    ),
                $shown->json('understood'),
            ),
        );
        self::assertSame([null, null], array_column($shown->json('results'), 'value'));
        self::assertSame(
            [
                'the unit "kg/rai" is not understood; say which it is.',
                'no unit that is known is written for phosphorus; say which it is.',
            ],
            array_column($shown->json('results'), 'problem'),
        );
        $this->take($file)->assertStatus(422);
        self::assertSame(0, LabResult::query()->count());

        $mapping = $shown->json('mapping');
        $mapping['columns'][1] = ['unit' => 'lb/acre', 'confirmed' => true] + $mapping['columns'][1];
        $mapping['columns'][2] = ['unit' => 'ppm', 'confirmed' => true] + $mapping['columns'][2];
        $said = $this->preview($file, ['mapping' => json_encode($mapping)])->assertOk();
        self::assertSame([], $said->json('doubts'));
        self::assertEqualsWithDelta([40 / 1.8, 12.0], array_column($said->json('results'), 'value'), 1e-9);
        self::assertSame(['cell' => '12', 'value' => 12, 'unit' => 'ppm'], $said->json('understood.2.example'));
        $this->take($file, ['mapping' => json_encode($mapping)])
            ->assertCreated()
            ->assertJsonPath('asked', []);
        self::assertTrue(
            $this->preview(str_replace('40', '41', $file))->json('remembered'),
            'what was said is remembered',
        );
    }

    /** A guess that was not confirmed stays a question about the results it concerns. */
    public function test_a_guess_that_nobody_confirmed_is_kept_as_a_question(): void
    {
        $code = $this->code();
        $taken = $this->take("sample,P (ppm),pH\n{$code},30,6.2\n")->assertCreated();
        $asked = ReportQuestion::query()->sole();
        self::assertSame(
            ['reading', '"P (ppm)": by which extractant? Limits belong to one.'],
            [$asked->kind->value, $asked->words],
        );
        self::assertSame([LabResult::query()->where('as_reported', '30')->valueOrFail('id')], $asked->result_ids);
        self::assertSame(1, count($taken->json('asked')));
    }

    /** The same names over other units are another shape: what was said of pounds is not taken for parts. */
    public function test_a_remembered_mapping_is_not_used_when_the_row_of_units_has_changed(): void
    {
        [$one, $two] = [$this->code(), $this->code()];
        $this->take("sample,K Mehlich-3\n,lb/acre\n{$one},180\n")->assertCreated();
        $shown = $this->preview("sample,K Mehlich-3\n,ppm\n{$two},100\n");
        self::assertFalse($shown->json('remembered'));
        self::assertEqualsWithDelta(100.0, LabResult::query()->sole()->value, 1e-9);
        self::assertSame(100, $shown->json('results.0.value'));
    }

    public function test_impossible_numbers_are_refused_and_not_stored(): void
    {
        $code = $this->code();
        foreach (['61', '-999', '45413'] as $ph) {
            $answer = $this->take("sample,pH\n{$code},{$ph}\n")->assertStatus(422);
            self::assertStringContainsString(
                "pH of {$ph} is not possible in soil; accepted is 2.5 to 11.",
                $answer->json('rows.0.message'),
            );
        }
        self::assertSame(0, LabResult::query()->count());
        // So it is with what is typed.
        $sample = $this->sample($this->ground('Sedge'));
        $k = TestMethod::query()->create([
            'code' => 'lab-k',
            'name' => 'Lab, potassium',
            'analyte' => 'k',
            'workplace' => 'lab',
            'school' => null,
            'bands' => null,
            'uncertainty' => null,
            'lot' => '',
        ]);
        $this->api(
            'POST',
            '/samples/{sample}/results',
            ['read_on' => '2026-09-20', 'results' => [['method_id' => $k->id, 'reading' => '-999']]],
            ['sample' => $sample->id],
        )->assertStatus(422);
        self::assertSame(0, Reading::query()->count());
    }

    public function test_numbers_that_could_be_two_things_are_refused_until_somebody_says_which(): void
    {
        $code = $this->code();
        $file = "sample;Ca Mehlich-3 (ppm)\n{$code};1,200\n";
        self::assertStringContainsString(
            'can be read in two ways',
            $this->take($file)->assertStatus(422)->json('rows.0.message'),
        );
        $this->take($file, ['decimal_comma' => '1'])->assertCreated();
        self::assertSame(1.2, LabResult::query()->sole()->value);
    }

    public function test_samples_in_columns_and_tables_of_a_page_are_taken_too(): void
    {
        [$one, $two, $three] = [$this->code(), $this->code(), $this->code()];
        $this->take("Parameter;Unit;{$one};{$two}\npH (water);;6,1;6,4\nP (Olsen);mg/kg;20;30\n")
            ->assertCreated()
            ->assertJsonPath('results', 4);
        $this->take(
            "<html><table><tr><th>Sample</th><th>pH (water)</th></tr><tr><td>{$three}</td><td>6.3</td></tr></table></html>",
        )->assertCreated();

        self::assertEqualsWithDelta(
            [6.1, 20.0, 6.4, 30.0, 6.3],
            LabResult::query()->orderBy('id')->pluck('value')->all(),
            1e-9,
        );
        self::assertSame([2, 3, 2, 3, 2], LabResult::query()->orderBy('id')->pluck('row')->all(), 'lines of the file');
    }

    /** Twenty-five results about 30 ppm, then a report whose column of P2O5 was headed P. */
    public function test_a_mistaken_unit_that_would_explain_it_is_named(): void
    {
        $area = $this->ground('Long strip');
        $lines = static fn (array $codes, float $times): string => "sample,P Olsen (ppm)\n".
            implode(
                "\n",
                array_map(
                    static fn (string $code, int $i): string => $code.
                        ','.
                        number_format($times * 30 * exp(0.2 * sin(1.7 * $i)), 1),
                    $codes,
                    array_keys($codes),
                ),
            ).
            "\n";
        $codes = fn (int $n): array => array_map(fn (): string => $this->portionOf($this->sample($area)), range(1, $n));
        $this->take($lines($codes(25), 1))->assertCreated();
        $asked = $this->take($lines($codes(10), 2.2914))->assertCreated()->json('asked');

        self::assertStringContainsString(
            'P2O5 read as P would explain it',
            implode(' ', array_column($asked, 'words')),
        );
        self::assertContains('unit', array_column($asked, 'kind'));
    }

    public function test_the_labs_own_paper_is_kept_beside_its_report_and_given_out_as_it_was(): void
    {
        Storage::fake('local');
        $report = $this->take("sample,pH (water)\n{$this->code()},6.1\n")
            ->assertCreated()
            ->json('id');
        $pdf = "%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF\n";
        $keep = fn (string $name, string $content) => $this->post(
            "/api/reports/{$report}/papers",
            ['paper' => UploadedFile::fake()->createWithContent($name, $content)],
            ['Accept' => 'application/json'],
        );
        $id = $keep('Marl report Ä.pdf', $pdf)->assertCreated()->json('id');
        $keep('again.pdf', $pdf)->assertCreated()->assertJsonPath('id', $id);
        $keep('page.png', PngFile::bytes(60, 60))->assertCreated();
        $keep('page.html', '<html><script>alert(1)</script></html>')->assertStatus(422);

        $this->api('GET', '/reports/{report}', ids: ['report' => $report])
            ->assertOk()
            ->assertJsonPath('papers.0.name', 'Marl report Ä.pdf')
            ->assertJsonCount(2, 'papers');
        $out = $this->get("/api/reports/{$report}/papers/{$id}")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/pdf');
        self::assertSame($pdf, $out->getContent());
        self::assertStringStartsWith('attachment', (string) $out->headers->get('Content-Disposition'));
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger)
            ->get("/api/reports/{$report}/papers/{$id}", ['Accept' => 'application/json'])
            ->assertNotFound();
        $this->expectExceptionMessage('written once');
        DB::table('report_papers')
            ->where('id', ReportPaper::query()->withoutGlobalScopes()->firstOrFail()->id)
            ->update(['name' => 'x']);
    }
}
