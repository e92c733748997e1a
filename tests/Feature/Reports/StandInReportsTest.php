<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Models\Area;
use App\Models\DeliveredReport;
use App\Models\LabResult;
use App\Models\Portion;
use App\Models\ReportQuestion;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\StandInProcess;

/**
 * The simulated lab's reports in their three shapes, with slips that it tells of or not: taken as they came, the
 * questions find them.
 */
final class StandInReportsTest extends ReportTestCase
{
    private const GROUNDS = [
        'Acid moss' => 5.1,
        'Middle strip' => 6.0,
        'Far strip' => 6.3,
        'Lime bank' => 7.2,
        'Barn close' => 6.7,
        'Mill piece' => 5.7,
    ];

    private StandInProcess $standIn;

    /** @var array<string, Area> */
    private array $areas = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->standIn = StandInProcess::start();
        config(['app.lab_service' => $this->standIn->address, 'app.lab_service_simulated' => true]);
        $this->lab->update([
            'service' => true,
            'tests' => array_map(
                static fn (string $code): array => [
                    'code' => $code,
                    'name' => $code,
                    'method' => '',
                    'extractant' => '',
                    'unit' => '',
                    'fee_cents' => 500,
                    'needs_ml' => 20,
                    'depth' => null,
                    'outside' => '',
                ],
                ['ph', 'p'],
            ),
        ]);
        foreach (self::GROUNDS as $name => $ph) {
            $this->areas[$name] = $this->history($name, $ph);
        }
    }

    protected function tearDown(): void
    {
        $this->standIn->stop();
        parent::tearDown();
    }

    /** @return array<string, array{string, string, bool}> */
    public static function shapesAndSlips(): array
    {
        return [
            'a plain table, two samples exchanged, untold' => ['table', 'swap', false],
            'titles and decimal commas, exchanged, told' => ['titled', 'swap', true],
            'a document, exchanged, untold' => ['document', 'swap', false],
            'a plain table, a shifted batch, told' => ['table', 'shift', true],
            'titles and decimal commas, shifted, untold' => ['titled', 'shift', false],
            'a document, shifted, untold' => ['document', 'shift', false],
        ];
    }

    #[DataProvider('shapesAndSlips')]
    public function test_the_questions_find_the_slip_and_the_corrected_report_has_none(
        string $shape,
        string $slip,
        bool $told,
    ): void {
        $consignment = $this->reported($shape, $slip, $told);
        self::assertSame($told, str_contains($consignment->json('word'), 'a corrected report follows'));
        $taken = $this->takeKept($consignment->json('reports.0.id'), null);

        $asked = array_column($taken->json('asked'), 'words', 'kind');
        self::assertArrayHasKey($slip, $asked, 'found whether it was told or not');
        $slip === 'swap'
            ? self::assertStringContainsString('look exchanged', $asked['swap'])
            : self::assertStringContainsString('6 of 6 samples lie above', $asked['shift']);
        self::assertNotNull(
            LabResult::query()
                ->where('kind', 'number')
                ->whereHas(
                    'method',
                    static fn ($method) => $method->where('analyte', 'p')->where('extractant', 'mehlich-3'),
                )
                ->first(),
        );

        $question = ReportQuestion::query()->where('kind', $slip)->firstOrFail();
        $this->api(
            'POST',
            '/report-questions/{question}',
            ['answer' => 'recheck', 'note' => 'Please look at the trays.'],
            ['question' => $question->id],
        )
            ->assertOk()
            ->assertJsonPath(
                'note',
                'Please look at the trays. (the lab: the samples are measured again; a corrected report comes in 2 '.
                    'days)',
            );
        $this->api('POST', '/simulation', ['advance_days' => 3])->assertOk();
        $again = $this->api(
            'POST',
            '/consignments/{consignment}/ask',
            ids: ['consignment' => $consignment->json('id')],
        )->assertOk();
        self::assertSame([$taken->json('id'), null], array_column($again->json('reports'), 'report_id'));
        self::assertSame(
            [null, $taken->json('id')],
            array_column($again->json('reports'), 'instead'),
            'the corrected report takes the place of the one that was taken',
        );
        $corrected = $this->takeKept($again->json('reports.1.id'), $taken->json('id'));
        self::assertSame([], $corrected->json('asked'));
        self::assertTrue(
            $this->api('GET', '/reports/{report}', ids: ['report' => $taken->json('id')])->json('shown.0.superseded'),
            'the old values stay visible',
        );
    }

    public function test_a_sound_consignment_is_asked_nothing_in_any_shape(): void
    {
        foreach (['table', 'titled', 'document'] as $shape) {
            $taken = $this->takeKept($this->reported($shape, 'none', false)->json('reports.0.id'), null);
            self::assertSame([[], 12], [$taken->json('asked'), $taken->json('results')], $shape);
        }
        self::assertSame(3, DeliveredReport::query()->count());
    }

    public function test_a_recheck_that_the_lab_does_not_hear_is_not_kept_and_a_lab_without_an_interface_gets_a_letter(): void
    {
        $this->takeKept($this->reported('table', 'swap', false)->json('reports.0.id'), null);
        $this->standIn->stop();
        $question = ReportQuestion::query()->where('kind', 'swap')->firstOrFail();
        $this->api(
            'POST',
            '/report-questions/{question}',
            ['answer' => 'recheck', 'note' => 'Look at the trays.'],
            ['question' => $question->id],
        )->assertStatus(409);
        self::assertNull($question->refresh()->answer);
        $by_hand = $this->take("sample,Lab No,Organic Matter %\n{$this->code()},A17,31\n")
            ->assertCreated()
            ->json('asked.0.id');
        $letter = $this->api(
            'POST',
            '/report-questions/{question}',
            ['answer' => 'recheck', 'note' => 'That is no peat.'],
            ['question' => $by_hand],
        )
            ->assertOk()
            ->json('letter');
        self::assertStringContainsString('your number A17, om 31', $letter['text']);
        self::assertStringContainsString('That is no peat.', $letter['text']);
        $this->standIn = StandInProcess::start();
    }

    /** @return TestResponse<Response> a consignment of one composite of each ground that came back */
    private function reported(string $shape, string $slip, bool $told): TestResponse
    {
        $this->api('POST', '/simulation', ['slip' => $slip, 'told' => $told, 'shape' => $shape])->assertOk();
        $codes = array_map(fn (Area $area): string => $this->portionOf($this->sample($area)), $this->areas);
        foreach (['drying', 'dried'] as $step) {
            $this->api('POST', '/custody-steps', [
                'submission' => Str::uuid()->toString(),
                'codes' => array_values($codes),
                'step' => $step,
                'at' => now()->toIso8601ZuluString(),
                'place' => null,
                'condition' => null,
                'celsius' => null,
                'corrects' => null,
            ])->assertSuccessful();
        }
        $consignment = $this->api('POST', '/consignments', [
            'lab_id' => $this->lab->id,
            'submission' => Str::uuid()->toString(),
            'answers' => [],
            'portions' => Portion::query()
                ->whereIn('code', $codes)
                ->orderBy('id')
                ->get()
                ->map(static fn (Portion $portion): array => ['code' => $portion->code, 'tests' => ['ph', 'p']])
                ->values()
                ->all(),
        ])
            ->assertSuccessful()
            ->json('id');
        $this->api(
            'POST',
            '/consignments/{consignment}/send',
            ['carrier' => '', 'at' => now()->toIso8601ZuluString()],
            ['consignment' => $consignment],
        )
            ->assertOk()
            ->assertJsonPath('announced', true);
        for ($day = 0; $day < 30; $day++) {
            $this->api('POST', '/simulation', ['advance_days' => 1])->assertOk();
            $asked = $this->api('POST', '/consignments/{consignment}/ask', ids: ['consignment' => $consignment])->assertOk();
            if ($asked->json('state') === 'reported') {
                return $asked;
            }
        }
        self::fail('The consignment was not reported in 30 days.');
    }

    /**
     * @return TestResponse<Response> a kept report taken byte for byte as it came, as its columns are guessed or
     *                                remembered
     */
    private function takeKept(int $report, ?int $instead): TestResponse
    {
        $kept = DeliveredReport::query()->findOrFail($report);
        $response = $this->post(
            '/api/reports',
            [
                'file' => UploadedFile::fake()->createWithContent($kept->name, $kept->content),
                'name' => $kept->name,
                'lab_id' => $this->lab->id,
                'read_on' => '2026-09-20',
            ] + ($instead === null ? [] : ['supersedes_id' => $instead]),
            ['Accept' => 'application/json'],
        );
        self::assertSame(201, $response->status(), (string) $response->getContent());

        return $response;
    }
}
