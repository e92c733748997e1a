<?php

declare(strict_types=1);

namespace Tests\Feature\Samples;

use App\Actions\Plans\SavePlan;
use App\Models\Plan;
use App\Models\PullNote;
use App\Models\Sample;
use HonestCore\Custody\CheckCharacter;
use Illuminate\Database\QueryException;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

/** What phones note in the field, and how it becomes one composite. */
final class NotesTest extends ApiTestCase
{
    private const HAND_IN = [
        'composite' => 1,
        'pulled_on' => '2026-09-01',
        'pulled_by' => 'Ada Fenwright',
        'note' => '',
    ];

    private string $phone;

    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-09-01 15:00:00');
        $this->phone = Str::uuid()->toString();
    }

    public function test_each_entry_is_stored_once_however_often_it_comes(): void
    {
        $plan = $this->plan();
        $entries = array_map(fn (int $core): array => $this->entry($plan, $core), range(1, 5));
        $first = $this->send($entries)->assertOk();
        $again = $this->send([...$entries, $this->entry($plan, 6), $entries[2]])->assertOk();

        self::assertSame(array_column($entries, 'uuid'), $first->json('stored'));
        self::assertSame([6, 1], [count($again->json('known')), count($again->json('stored'))]);
        self::assertSame([1, 2, 3, 4, 5, 6], PullNote::query()->orderBy('id')->pluck('sequence')->all());
    }

    public function test_one_that_cannot_be_taken_does_not_hold_up_the_others(): void
    {
        $plan = $this->plan();
        $bad = [
            $this->entry($plan, 13),
            ['plan_id' => 999] + $this->entry($plan, 1),
            ['composite' => 4] + $this->entry($plan, 1),
            ['outcome' => 'eaten'] + $this->entry($plan, 1),
        ];
        $answer = $this->send([$this->entry($plan, 1), ...$bad, $this->entry($plan, 2)])->assertOk();

        self::assertSame([2, 4], [count($answer->json('stored')), count($answer->json('refused'))]);
        self::assertSame(array_column($bad, 'uuid'), array_column($answer->json('refused'), 'uuid'));
        self::assertStringContainsString('has 12 cores; core 13 is not in it', $answer->json('refused.0.message'));
        self::assertSame(2, PullNote::query()->count());
    }

    public function test_a_clock_a_day_off_is_mended_and_what_it_said_is_kept(): void
    {
        $plan = $this->plan();
        $entry = ['at' => '2026-08-31T14:40:00Z'] + $this->entry($plan, 1);
        $answer = $this->api('POST', '/pull-entries', [
            'device' => $this->phone,
            'now' => '2026-08-31T15:00:00Z',
            'entries' => [$entry],
        ])->assertOk();
        $note = PullNote::query()->sole();

        self::assertSame(86_400, $answer->json('clock_off_s'));
        self::assertSame(
            ['2026-09-01 14:40:00', '2026-08-31 14:40:00'],
            [$note->noted_at->format('Y-m-d H:i:s'), $note->said_at->format('Y-m-d H:i:s')],
        );
    }

    public function test_two_phones_merge_and_where_they_differ_a_person_decides(): void
    {
        $plan = $this->plan();
        $this->send(array_map(fn (int $core): array => $this->entry($plan, $core), range(1, 7)));
        $other = Str::uuid()->toString();
        $this->send(
            [
                $this->entry($plan, 7, 'skipped', 'too wet'),
                ...array_map(fn (int $core): array => $this->entry($plan, $core), range(8, 12)),
            ],
            $other,
        );

        $state = $this->api(
            'GET',
            '/plans/{plan}/pull',
            ids: ['plan' => $plan->id],
            query: ['composite' => 1],
        )->assertOk();
        self::assertSame(
            [$this->phone => 7, $other => 12],
            array_intersect_key($state->json('seen'), [$this->phone => 0, $other => 0]),
        );
        self::assertSame([2, 12], [$state->json('margins.0.cores'), $state->json('margins.10.cores')]);
        self::assertGreaterThan($state->json('margins.10.ph'), $state->json('margins.0.ph'));
        self::assertSame(
            [11, [7]],
            [count($state->json('cores')), array_column($state->json('conflicts'), 'sequence')],
        );
        $words = $state->json('conflicts.0.entries');
        self::assertEqualsCanonicalizing(['pulled', 'skipped'], array_column($words, 'outcome'));
        $refused = $this->handIn($plan)->assertStatus(409);
        self::assertStringContainsString('differ on core 7', (string) $refused->json('message'));
        self::assertSame(0, Sample::query()->count());

        $this->send([
            ['settles' => array_column($words, 'uuid'), 'ordinal' => 99] + $this->entry($plan, 7, 'skipped', 'too wet'),
        ]);
        $sample = $this->handIn($plan)->assertCreated();
        self::assertSame([11, 12], [$sample->json('samples.0.cores_pulled'), count($sample->json('samples.0.pulls'))]);
        self::assertSame('too wet', $sample->json('samples.0.pulls.6.reason'));
    }

    public function test_what_comes_after_the_composite_was_made_is_kept_apart(): void
    {
        $plan = $this->plan();
        $this->send([$this->entry($plan, 1), $this->entry($plan, 2)]);
        $made = $this->handIn($plan)->assertCreated();
        $late = $this->entry($plan, 3);
        $answer = $this->send([$late], Str::uuid()->toString())->assertOk();

        self::assertSame([[], [$late['uuid']]], [$answer->json('stored'), $answer->json('late')]);
        self::assertSame([2, 3], [$made->json('samples.0.cores_pulled'), PullNote::query()->count()]);
        $this->api('GET', '/plans/{plan}/pull', ids: ['plan' => $plan->id])
            ->assertJsonCount(2, 'cores')
            ->assertJsonPath('samples', [$made->json('samples.0.code')]);
    }

    public function test_five_thousand_entries_come_in_batches_and_in_order(): void
    {
        $plan = app(SavePlan::class)
            ->new($this->area(), $this->technician, self::spec(['cores' => 200, 'cell_acres' => 0.3]))
            ->refresh();
        $composites = min(25, $plan->composites);
        $entries = [];
        for ($i = 0; $i < 5000; $i++) {
            $entries[] =
                ['composite' => (intdiv($i, 200) % $composites) + 1, 'ordinal' => $i + 1] +
                $this->entry($plan, ($i % 200) + 1);
        }
        $stored = [];
        foreach (array_chunk($entries, 500) as $batch) {
            array_push(
                $stored,
                ...$this->postJson('/api/pull-entries', [
                    'device' => $this->phone,
                    'now' => '2026-09-01T15:00:00Z',
                    'entries' => $batch,
                ])
                    ->assertOk()
                    ->json('stored'),
            );
        }
        self::assertSame(array_column($entries, 'uuid'), $stored);
        self::assertSame(range(1, 5000), PullNote::query()->orderBy('id')->pluck('ordinal')->all());
        $this->send([...array_slice($entries, 0, 500), $entries[600]])
            ->assertStatus(422)
            ->assertJsonPath('errors.entries.0', static fn (string $said): bool => str_contains($said, 'Up to 500'));
    }

    public function test_entries_are_written_once_also_against_sql(): void
    {
        $this->send([$this->entry($this->plan(), 1)]);
        foreach (["update pull_entries set outcome = 'skipped'", 'delete from pull_entries'] as $sql) {
            try {
                \Illuminate\Support\Facades\DB::statement($sql);
                self::fail("{$sql} was carried out");
            } catch (QueryException $error) {
                self::assertStringContainsString('written once', $error->getMessage());
            }
        }
    }

    public function test_codes_on_labels_printed_ahead_are_those_the_composites_get(): void
    {
        $area = $this->area();
        $plan = app(SavePlan::class)
            ->new($area, $this->technician, self::spec(['layers' => ['0-2in', '2-6in'], 'cell_acres' => 1.5]))
            ->refresh();
        $codes = $this->api('POST', '/plans/{plan}/codes', ids: ['plan' => $plan->id])->assertOk()->json();
        self::assertSame(
            $codes,
            $this->api('POST', '/plans/{plan}/codes', ids: ['plan' => $plan->id])->json(),
            'asked again it gives the same',
        );
        self::assertCount(2 * $plan->composites, $codes);
        foreach ($codes as $code) {
            self::assertTrue(CheckCharacter::fits($code['code']) && CheckCharacter::fits($code['portions'][1]['code']));
        }
        $between = $this->sample($this->area($area->site, name: 'Sedge bank'));
        self::assertNotContains($between->code, array_column($codes, 'code'));

        $made = $this->handIn($plan, ['composite' => 2, 'cores_pulled' => 12])
            ->assertCreated()
            ->json('samples');
        $second = array_values(array_filter($codes, static fn (array $code): bool => $code['composite'] === 2));
        self::assertSame(array_column($second, 'code'), array_column($made, 'code'));
        self::assertSame(array_column($second[1]['portions'], 'code'), array_column($made[1]['portions'], 'code'));
        self::assertCount(
            2 * $plan->composites - 2,
            $this->api('POST', '/plans/{plan}/codes', ids: ['plan' => $plan->id])->json(),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function malformed(): iterable
    {
        yield 'no phone' => [['device' => 'my phone'], 'device'];
        yield 'no time' => [['now' => 'noon'], 'now'];
        yield 'no entries' => [['entries' => []], 'entries'];
        yield 'an entry without an id' => [['entries' => [['sequence' => 1]]], 'entries.0.uuid'];
        yield 'words' => [['entries' => 'pulled'], 'entries'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('malformed')]
    public function test_a_malformed_batch_stores_nothing(array $change, string $field): void
    {
        $body = [
            'device' => $this->phone,
            'now' => '2026-09-01T15:00:00Z',
            'entries' => [$this->entry($this->plan(), 1)],
        ];
        $this->api('POST', '/pull-entries', $change + $body)
            ->assertStatus(422)
            ->assertJsonValidationErrors($field);
        self::assertSame(0, PullNote::query()->count());
    }

    /** @return iterable<string, array{string, mixed, string}> */
    public static function badFields(): iterable
    {
        foreach (
            [
                'uuid' => [['', 'x', 7, null], 'a UUID'],
                'plan_id' => [[0, -1, 'two', null, 1.5], 'a whole number from 1'],
                'composite' => [[0, null], 'a whole number from 1'],
                'ordinal' => [[0, 2_000_000_001, '7'], 'a whole number from 1'],
                'sequence' => [[-3, []], 'a whole number from 1'],
                'outcome' => [['', 'a word that is far too long', null], 'a word of up to 20 letters'],
                'reason' => [[str_repeat('x', 201), 5], 'nothing or up to 200 letters'],
                'at' => [['yesterday', '2026-09-01', '2026-99-99T00:00:00Z', null], 'a moment such as'],
                'longitude' => [[181, 'west'], 'degrees from -180 to 180'],
                'latitude' => [[-200, []], 'nothing or degrees'],
                'accuracy_m' => [[-1, 'rough'], 'metres from 0 to 100000'],
                'settles' => [[null, 'x', ['x'], ['a' => '3f0b1c52-7a1e-4f0a-9d7e-0a4a5a0f9a11']], 'up to 50 UUIDs'],
            ] as $field => [$values, $accepted]
        ) {
            foreach ($values as $i => $value) {
                yield "{$field} {$i}" => [$field, $value, $accepted];
            }
        }
    }

    #[DataProvider('badFields')]
    public function test_a_field_of_an_entry_that_is_wrong_is_named_with_what_is_accepted_and_nothing_is_stored(
        string $field,
        mixed $value,
        string $accepted,
    ): void {
        $plan = $this->plan();
        $bad = [$field => $value] + $this->entry($plan, 2);
        $answer = $this->send([$this->entry($plan, 1), $bad])
            ->assertStatus(422)
            ->assertJsonValidationErrors("entries.1.{$field}");
        self::assertStringContainsString($accepted, (string) $answer->json('errors')["entries.1.{$field}"][0]);
        self::assertStringContainsString('of entry 2', (string) $answer->json('errors')["entries.1.{$field}"][0]);
        $missing = array_diff_key($bad, [$field => 0]);
        $this->send([$missing])
            ->assertStatus(422)
            ->assertJsonValidationErrors("entries.0.{$field}");
        self::assertSame(0, PullNote::query()->count());
    }

    public function test_places_and_reasons_are_kept_as_the_phone_gave_them(): void
    {
        $plan = $this->plan();
        $given =
            [
                'longitude' => -76.281,
                'latitude' => 42.915,
                'accuracy_m' => 4.5,
                'reason' => 'drip line',
                'outcome' => 'moved',
                'at' => '2026-09-01T10:30:00.250-04:00',
            ] + $this->entry($plan, 3);
        $this->send([$given])->assertOk();
        $note = PullNote::query()->sole();

        self::assertSame(
            [-76.281, 42.915, 4.5, 'drip line', 'moved'],
            [$note->longitude, $note->latitude, $note->accuracy_m, $note->reason, $note->outcome->value],
        );
        self::assertSame('2026-09-01 14:30:00', $note->said_at->format('Y-m-d H:i:s'));
        self::assertSame($this->technician->team_id, $note->team_id);
    }

    public function test_another_teams_plan_takes_nothing(): void
    {
        $plan = $this->plan();
        [, $stranger] = $this->team('Moor crew', 'moor');
        $this->actingAs($stranger);
        $this->send([$this->entry($plan, 1)])
            ->assertOk()
            ->assertJsonCount(1, 'refused');
        $this->api('GET', '/plans/{plan}/pull', ids: ['plan' => $plan->id])->assertNotFound();
        $this->api('POST', '/plans/{plan}/codes', ids: ['plan' => $plan->id])->assertNotFound();
        self::assertSame(0, PullNote::query()->withoutGlobalScopes()->count());
    }

    /**
     * @return array{uuid: string, plan_id: int, composite: int, ordinal: int, sequence: int, outcome: string,
     * reason: string|null, at: string, longitude: null, latitude: null, accuracy_m: null, settles: list<string>}
     */
    private function entry(Plan $plan, int $core, string $outcome = 'pulled', ?string $reason = null): array
    {
        return [
            'uuid' => Str::uuid()->toString(),
            'plan_id' => $plan->id,
            'composite' => 1,
            'ordinal' => $core,
            'sequence' => $core,
            'outcome' => $outcome,
            'reason' => $reason,
            'at' => '2026-09-01T14:30:00Z',
            'longitude' => null,
            'latitude' => null,
            'accuracy_m' => null,
            'settles' => [],
        ];
    }

    /**
     * @param list<array<string, mixed>> $entries
     * @return TestResponse<Response>
     */
    private function send(array $entries, ?string $device = null): TestResponse
    {
        return $this->api('POST', '/pull-entries', [
            'device' => $device ?? $this->phone,
            'now' => '2026-09-01T15:00:00Z',
            'entries' => $entries,
        ]);
    }

    /**
     * @param array<string, mixed> $change
     * @return TestResponse<Response>
     */
    private function handIn(Plan $plan, array $change = []): TestResponse
    {
        return $this->api(
            'POST',
            '/plans/{plan}/samples',
            $change + self::HAND_IN + ['cores' => [], 'submission' => Str::uuid()->toString()],
            ['plan' => $plan->id],
        );
    }
}
