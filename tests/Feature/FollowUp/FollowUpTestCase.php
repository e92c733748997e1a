<?php

declare(strict_types=1);

namespace Tests\Feature\FollowUp;

use App\Actions\Areas\WriteArea;
use App\Actions\Prescribe\ComposeProgram;
use App\Actions\Prescribe\SignPrescription;
use App\Models\Area;
use App\Models\SignedProgram;
use App\Models\Site;
use App\Models\TestMethod;
use HonestCore\Program\ProgramChoices;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

/** Ground that was tested, given a program, spread on and tested again over the years. */
abstract class FollowUpTestCase extends ApiTestCase
{
    /** A piece of ground of its own beside the square of the other tests. */
    protected const STRIP = [
        'type' => 'Polygon',
        'coordinates' => [
            [[-76.279, 42.914], [-76.2785, 42.914], [-76.2785, 42.9155], [-76.279, 42.9155], [-76.279, 42.914]],
        ],
    ];

    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2024-11-20 15:00:00');
    }

    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    protected function strip(Site $site, string $name = 'Untreated strip by the dyke'): Area
    {
        return app(WriteArea::class)
            ->new($site, ['name' => $name, 'use' => 'corn', 'history' => '', 'boundary' => self::STRIP])
            ->refresh();
    }

    /** A round of one composite. */
    protected function round(Area $area, string $day, string $ph, ?string $buffer = null, string $lab = 'lab-ph'): void
    {
        Carbon::setTestNow("{$day} 15:00:00");
        $sample = $this->sample($area, $day);
        $this->read($sample, $lab, $ph, on: $day);
        if ($buffer !== null) {
            $this->read($sample, $this->buffer(), $buffer, on: $day);
        }
    }

    /** The method by which the lab reads the buffer that sizes lime. */
    protected function buffer(): string
    {
        return TestMethod::query()->where('analyte', 'buffer_ph')->where('school', 'mehlich')->valueOrFail('code');
    }

    protected function signed(Area $area, string $day): SignedProgram
    {
        Carbon::setTestNow("{$day} 15:00:00");
        $area->refresh();
        $choices = app(ComposeProgram::class)->usual($area, 'corn');
        $it = app(ComposeProgram::class)($area, $choices);
        $this->actingAs($this->reviewer);
        $signed = app(SignPrescription::class)($area, $this->reviewer, ProgramChoices::fromRow($choices->toRow()), $it->hash, null, '');
        $this->actingAs($this->technician);

        return $signed;
    }

    /**
     * @param array<string, mixed> $more
     * @return array<string, mixed>
     */
    protected static function entry(int $area, array $more = []): array
    {
        return $more + [
            'uuid' => (string) Str::uuid(),
            'area_id' => $area,
            'program_id' => null,
            'part' => 0,
            'product' => '',
            'what' => '',
            'as_planned' => false,
            'line' => null,
            'amount' => null,
            'unit' => 'lb/acre',
            'on' => now()->format('Y-m-d'),
            'weather' => '',
            'spread_by' => 'Ada Fenwright',
            'note' => '',
            'takes_back' => null,
        ];
    }

    /**
     * @param array<string, mixed> ...$entries
     * @return TestResponse<Response>
     */
    protected function note(array ...$entries): TestResponse
    {
        return $this->api('POST', '/spread-entries', [
            'device' => '6f1b1c2e-7a54-4c53-9d0e-0a8a4f5a9b11',
            'entries' => array_values($entries),
        ]);
    }

    /**
     * The lime line of a program, as the spreader's list has it.
     *
     * @return array<string, mixed>
     */
    protected function limeLine(SignedProgram $program): array
    {
        $lines = $this->api('GET', '/sites/{site}/spread-lines', ids: ['site' => $program->area->site_id])->assertOk()->json('lines');
        foreach ($lines as $line) {
            if ($line['program_id'] === $program->id && str_contains($line['product'], 'limestone')) {
                return $line;
            }
        }
        self::fail('The program has no lime.');
    }

    /** Notes the lime of a program as it was planned. */
    protected function limed(SignedProgram $program, string $day): void
    {
        Carbon::setTestNow("{$day} 15:00:00");
        $line = $this->limeLine($program);
        $this->note(self::entry($program->area_id, [
            'program_id' => $program->id, 'product' => $line['product'], 'as_planned' => true, 'line' => $line['key'],
        ]))->assertOk()->assertJsonCount(1, 'stored');
    }

    /** @return array<string, mixed> what came of the lime of the newest program */
    protected function answer(Area $area): array
    {
        $answers = $this->api('GET', '/sites/{site}/answers', ids: ['site' => $area->site_id])->assertOk()->json();
        foreach ($answers as $one) {
            if ($one['area_id'] === $area->id && $one['key'] === 'lime') {
                return $one;
            }
        }
        self::fail('No lime was answered.');
    }
}
