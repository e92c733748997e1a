<?php

declare(strict_types=1);

namespace Tests\Feature\Samples;

use App\Models\CorePull;
use App\Models\Portion;
use App\Models\Sample;
use HonestCore\Custody\CheckCharacter;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Tests\Feature\ApiTestCase;
use Tests\Support\PngFile;

final class SamplesTest extends ApiTestCase
{
    private const PULL = ['pulled_on' => '2026-09-01', 'pulled_by' => 'Ada Fenwright', 'note' => ''];

    public function test_a_composite_has_a_code_that_checks_itself_and_two_portions(): void
    {
        $sample = $this->api('POST', '/plans/{plan}/samples', ['cores_pulled' => 11] + self::PULL, [
            'plan' => $this->plan()->id,
        ])->assertCreated();

        self::assertMatchesRegularExpression('/^FN26-01-[0-9A-Z]$/', $sample->json('samples.0.code'));
        foreach (
            [$sample->json('samples.0.code'), ...array_column($sample->json('samples.0.portions'), 'code')] as $code
        ) {
            self::assertTrue(CheckCharacter::fits($code), $code);
        }
        self::assertSame(['lab', 'bench'], array_column($sample->json('samples.0.portions'), 'kind'));
        self::assertSame([11, 12], [$sample->json('samples.0.cores_pulled'), $sample->json('samples.0.cores_planned')]);
    }

    public function test_numbers_run_on_within_a_site_and_year(): void
    {
        $area = $this->area();
        $codes = array_map(fn (string $day): string => substr($this->sample($area, $day)->code, 0, 7), [
            '2026-04-01',
            '2026-09-01',
            '2027-04-01',
        ]);

        self::assertSame(['FN26-01', 'FN26-02', 'FN27-01'], $codes);
    }

    public function test_the_phone_hands_in_core_by_core_and_a_repeated_hand_in_stores_nothing(): void
    {
        $plan = $this->plan();
        $cores = array_map(
            static fn (int $i): array => [
                'sequence' => $i,
                'outcome' => $i === 4 ? 'refused' : ($i === 5 ? 'moved' : 'pulled'),
                'reason' => $i === 4 ? 'stone' : null,
            ],
            range(1, 12),
        );
        $body = ['cores' => $cores, 'submission' => '3f0b1c52-7a1e-4f0a-9d7e-0a4a5a0f9a11'] + self::PULL;
        $first = $this->api('POST', '/plans/{plan}/samples', $body, ['plan' => $plan->id])->assertCreated();
        $again = $this->api('POST', '/plans/{plan}/samples', $body, ['plan' => $plan->id])->assertOk();

        self::assertSame($first->json('samples.0.id'), $again->json('samples.0.id'));
        self::assertSame(11, $first->json('samples.0.cores_pulled'));
        self::assertSame('stone', $first->json('samples.0.pulls.3.reason'));
        self::assertSame([1, 2, 12], [Sample::query()->count(), Portion::query()->count(), CorePull::query()->count()]);
    }

    public function test_bad_hand_ins_are_refused_and_store_nothing(): void
    {
        $plan = $this->plan();
        $refused = [
            [['cores_pulled' => 13] + self::PULL, 'cores_pulled'],
            [['cores_pulled' => 0] + self::PULL, 'cores_pulled'],
            [self::PULL, 'cores_pulled'],
            [['cores' => [['sequence' => 1, 'outcome' => 'refused', 'reason' => 'stone']]] + self::PULL, 'cores'],
            [['cores' => [['sequence' => 1, 'outcome' => 'eaten', 'reason' => null]]] + self::PULL, 'cores.0.outcome'],
            [
                [
                    'cores' => [
                        ['sequence' => 1, 'outcome' => 'pulled', 'reason' => null],
                        ['sequence' => 1, 'outcome' => 'pulled', 'reason' => null],
                    ],
                ] + self::PULL,
                'cores.0.sequence',
            ],
            [['cores_pulled' => 5, 'pulled_on' => '2126-09-01'] + self::PULL, 'pulled_on'],
            [['cores_pulled' => 5, 'pulled_on' => '1 Sept'] + self::PULL, 'pulled_on'],
            [['cores_pulled' => 5, 'pulled_by' => ''] + self::PULL, 'pulled_by'],
        ];
        foreach ($refused as [$body, $field]) {
            $this->api('POST', '/plans/{plan}/samples', $body, ['plan' => $plan->id])
                ->assertStatus(422)
                ->assertJsonValidationErrors($field);
        }

        self::assertSame([0, 0, 0], [Sample::query()->count(), Portion::query()->count(), CorePull::query()->count()]);
    }

    public function test_what_was_done_otherwise_is_said_and_carried_to_every_reading_and_pair(): void
    {
        $said = [
            'depth_reached_cm' => 10.0,
            'tool' => 'scoop',
            'moisture' => 'wet',
            'weather' => 'drizzle',
            'helper' => 'Nell',
        ];
        $made = $this->api('POST', '/plans/{plan}/samples', ['cores_pulled' => 9, 'conditions' => $said] + self::PULL, [
            'plan' => $this->plan()->id,
        ])->assertCreated();
        $deviations = $made->json('samples.0.deviations');
        self::assertEqualsCanonicalizing($said, $made->json('samples.0.conditions'));
        self::assertSame(['9 cores of 12', 'reached 10 cm of 15.2 cm'], array_slice($deviations, 0, 2));
        self::assertCount(4, $deviations);

        $sample = Sample::query()->sole();
        $this->read($sample, 'kit-ph', '6.5');
        $this->read($sample, 'lab-ph', '6.4');
        $read = $this->api('GET', '/samples/{sample}', ids: ['sample' => $sample->id]);
        self::assertSame([$deviations, $deviations], array_column($read->json('readings'), 'deviations'));
        $evidence = $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id]);
        self::assertSame($deviations, $evidence->json('pairs.rows.0.deviations'));
    }

    public function test_conditions_that_are_none_are_refused_by_field(): void
    {
        $plan = $this->plan();
        foreach (
            [
                ['depth_reached_cm' => 0],
                ['depth_reached_cm' => 'deep'],
                ['tool' => 'spoon'],
                ['moisture' => 'soaked'],
                ['weather' => str_repeat('x', 81)],
            ] as $bad
        ) {
            $this->api('POST', '/plans/{plan}/samples', ['cores_pulled' => 9, 'conditions' => $bad] + self::PULL, [
                'plan' => $plan->id,
            ])
                ->assertStatus(422)
                ->assertJsonValidationErrors('conditions.'.array_key_first($bad));
        }
        self::assertSame(0, Sample::query()->count());
    }

    public function test_a_photo_is_kept_once_and_shown_to_the_team_alone(): void
    {
        Storage::fake('local');
        $sample = $this->sample();
        $file = PngFile::of('pit.png', 80, 60);
        $send = fn (UploadedFile $picture): int => (int) $this->post(
            "/api/samples/{$sample->id}/photos",
            ['picture' => $picture],
            ['Accept' => 'application/json'],
        )
            ->assertCreated()
            ->json('id');
        $id = $send($file);

        self::assertSame($id, $send($file));
        self::assertSame([$id], $this->api('GET', '/samples/{sample}', ids: ['sample' => $sample->id])->json('photos'));
        self::assertSame(
            $file->getContent(),
            $this->get("/api/photos/{$id}")
                ->assertOk()
                ->assertHeader('Content-Type', 'image/png')
                ->getContent(),
        );
        $this->post(
            "/api/samples/{$sample->id}/photos",
            ['picture' => UploadedFile::fake()->createWithContent('a.png', 'no picture')],
            ['Accept' => 'application/json'],
        )->assertStatus(422);
        [$stranger] = $this->team('Bog crew', 'bog');
        $this->actingAs($stranger)
            ->getJson("/api/photos/{$id}")
            ->assertNotFound();
    }
}
