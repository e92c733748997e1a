<?php

declare(strict_types=1);

namespace Tests\Feature\FollowUp;

use App\Models\GroundEvent;
use App\Record\VerifyRecord;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\PngFile;

/** The spreader's log: each entry once, as planned or otherwise, taken back by another, in one history of the ground. */
final class SpreadLogTest extends FollowUpTestCase
{
    public function test_a_line_is_noted_as_planned_once_and_the_same_entry_again_changes_nothing(): void
    {
        $area = $this->area(use: 'corn');
        $this->round($area, '2024-10-01', '5.60', '6.10');
        $program = $this->signed($area, '2024-11-10');
        Carbon::setTestNow('2024-11-20 15:00:00');
        $line = $this->limeLine($program);
        self::assertSame([], $line['noted']);
        $entry = self::entry($area->id, [
            'program_id' => $program->id, 'product' => $line['product'], 'as_planned' => true, 'line' => $line['key'],
            'weather' => 'dry, still',
        ]);
        $id = $this->note($entry)->assertOk()->assertJsonCount(1, 'stored')->json('stored.0.id');
        $this->note($entry)->assertOk()->assertJsonPath('known.0.id', $id)->assertJsonCount(0, 'stored');
        self::assertSame(1, GroundEvent::query()->count());
        $noted = $this->limeLine($program)['noted'][0];
        self::assertEqualsWithDelta($line['lb_per_acre'], $noted['lb_per_acre'], 1e-6);
        self::assertSame(
            [true, 'Ada Fenwright', 'dry, still'],
            [$noted['as_planned'], $noted['noted_by'], $noted['weather']],
        );
        // Another phone notes the same line under a name of its own.
        $twice = $this->note(['uuid' => '11111111-2222-4333-8444-555555555555'] + $entry)->assertOk();
        self::assertStringContainsString('noted this line already', $twice->json('refused.0.message'));
        self::assertNull(app(VerifyRecord::class)($this->technician->team_id)->fault);
        self::assertSame(1, DB::table('record_links')->where('table', 'ground_events')->count());
    }

    public function test_what_was_spread_instead_answers_its_line_and_each_of_several_entries_can_be_taken_back(): void
    {
        $area = $this->area(use: 'corn');
        $this->round($area, '2024-10-01', '5.60', '6.10');
        $program = $this->signed($area, '2024-11-10');
        Carbon::setTestNow('2024-11-20 15:00:00');
        $line = $this->limeLine($program);
        $instead = ['program_id' => $program->id, 'line' => $line['key'], 'product' => 'wood-ash', 'part' => 3, 'amount' => 900];
        $this->note(self::entry($area->id, $instead), self::entry($area->id, ['amount' => 400] + $instead))
            ->assertJsonCount(2, 'stored');
        $noted = $this->limeLine($program)['noted'];
        self::assertSame(['wood-ash', 'wood-ash'], array_column($noted, 'product'));
        self::assertSame([400.0, 900.0], array_map(floatval(...), array_column($noted, 'lb_per_acre')), 'The newest first.');
        $this->note(self::entry($area->id, ['takes_back' => $noted[0]['uuid']]))->assertJsonCount(1, 'stored');
        self::assertCount(1, $this->limeLine($program)['noted']);
        $planned = ['as_planned' => true, 'product' => $line['product'], 'part' => $line['part'], 'amount' => null] + $instead;
        $this->note(self::entry($area->id, $planned))->assertJsonCount(1, 'refused');
        $this->note(self::entry($area->id, ['line' => '9/gold/2024-11-20'] + $instead))
            ->assertJsonPath('refused.0.message', 'The program has no such line.');
    }

    public function test_other_product_and_rate_are_converted_and_say_what_they_bring(): void
    {
        $area = $this->area(use: 'corn');
        $this->note(self::entry($area->id, [
            'product' => 'superphosphate', 'amount' => 4.6, 'unit' => 'lb/1000sqft', 'part' => 2,
        ]))->assertJsonCount(1, 'stored');
        $kept = GroundEvent::query()->firstOrFail();
        self::assertEqualsWithDelta(200.376, $kept->lb_per_acre, 1e-6);
        self::assertEqualsWithDelta(40.0752, $kept->brings['p2o5'] ?? 0.0, 1e-6);
        self::assertSame([2, 'Superphosphate', 4.6], [$kept->part, $kept->what, $kept->amount]);
        $this->note(self::entry($area->id, ['what' => 'The neighbour\'s marl', 'amount' => 0, 'unit' => 't/ha']))
            ->assertJsonCount(1, 'stored');
        self::assertNull(GroundEvent::query()->orderByDesc('id')->firstOrFail()->brings, 'Nobody knows what it brings.');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function odd(): iterable
    {
        yield 'without a rate' => [['what' => 'Lime', 'amount' => null], 'An application needs its rate'];
        yield 'below nothing' => [['what' => 'Lime', 'amount' => -1], 'A rate must be from 0'];
        yield 'a slip of the pen' => [['what' => 'Lime', 'amount' => 900, 'unit' => 'tons/acre'], 'A rate must be from 0 to 100 tons/acre'];
        yield 'no unit' => [['what' => 'Lime', 'amount' => 40, 'unit' => 'bags'], 'is no unit of a rate; accepted are lb/acre'];
        yield 'nothing named' => [['amount' => 40], 'Say what was spread'];
        yield 'the future' => [['what' => 'Lime', 'amount' => 40, 'on' => '2024-11-21'], 'lies in the future'];
        yield 'no day' => [['what' => 'Lime', 'amount' => 40, 'on' => '2024-02-30'], 'is no day'];
        yield 'no line' => [['as_planned' => true], 'names no line'];
        yield 'no program of the area' => [['what' => 'Lime', 'amount' => 40, 'program_id' => 9999], 'not one of this area'];
        yield 'nothing to take back' => [['takes_back' => '11111111-2222-4333-8444-555555555555'], 'not there, or was taken back'];
    }

    /** @param array<string, mixed> $more */
    #[DataProvider('odd')]
    public function test_what_cannot_be_taken_is_named_and_holds_up_no_other(array $more, string $words): void
    {
        Carbon::setTestNow('2024-11-20 15:00:00');
        $area = $this->area(use: 'corn');
        $answer = $this->note(
            self::entry($area->id, $more),
            self::entry($area->id, ['what' => 'Gypsum', 'amount' => 500]),
        )->assertOk();
        self::assertStringContainsString($words, $answer->json('refused.0.message'));
        $answer->assertJsonCount(1, 'stored');
        self::assertSame(['Gypsum'], GroundEvent::query()->pluck('what')->all());
    }

    public function test_the_day_is_that_of_the_site(): void
    {
        $area = $this->area(use: 'corn');
        Carbon::setTestNow('2024-11-21 03:00:00');
        $this->note(self::entry($area->id, ['what' => 'Gypsum', 'amount' => 5, 'on' => '2024-11-21']))->assertJsonCount(1, 'refused');
        $this->note(self::entry($area->id, ['what' => 'Gypsum', 'amount' => 5, 'on' => '2024-11-20']))->assertJsonCount(1, 'stored');
    }

    public function test_an_entry_is_taken_back_and_stays_on_record(): void
    {
        $area = $this->area(use: 'corn');
        $entry = self::entry($area->id, ['what' => 'Gypsum', 'amount' => 500]);
        $this->note($entry)->assertJsonCount(1, 'stored');
        $this->note(self::entry($area->id, ['takes_back' => $entry['uuid']]))->assertJsonCount(1, 'stored');
        $this->note(self::entry($area->id, ['takes_back' => $entry['uuid']]))->assertJsonCount(1, 'refused');
        self::assertSame([2, 0], [GroundEvent::query()->count(), GroundEvent::standing()->count()]);
        $this->expectExceptionMessage('written once');
        DB::table('ground_events')->update(['what' => 'Lime']);
    }

    public function test_a_note_beside_a_transect_stands_in_the_same_log_and_is_taken_back_once(): void
    {
        $area = $this->area(use: 'corn');
        $sent = ['kind' => 'application', 'on' => '2024-11-20', 'what' => 'Urea, side-dressed', 'amount' => 10, 'unit' => 'kg/ha'];
        Carbon::setTestNow('2024-11-20 15:00:00');
        $this->api('POST', '/areas/{area}/ground-events', ['amount' => null] + $sent, ['area' => $area->id])->assertStatus(422);
        $this->api('POST', '/areas/{area}/ground-events', ['unit' => 'mm'] + $sent, ['area' => $area->id])
            ->assertStatus(422)
            ->assertJsonValidationErrors('unit');
        $event = $this->api('POST', '/areas/{area}/ground-events', $sent, ['area' => $area->id])->assertCreated()->json('events.0');
        $acts = $this->api('GET', '/areas/{area}/series', ids: ['area' => $area->id])->assertOk()->json('acts');
        self::assertEqualsWithDelta(8.9218, $acts[0]['lb_per_acre'], 1e-4);
        $this->api('DELETE', '/ground-events/{event}', ids: ['event' => $event['id']])->assertNoContent();
        $this->api('DELETE', '/ground-events/{event}', ids: ['event' => $event['id']])->assertStatus(409);
        $this->api('GET', '/areas/{area}/transects', ids: ['area' => $area->id])->assertJsonCount(0, 'events');
        self::assertNull(app(VerifyRecord::class)($this->technician->team_id)->fault, 'Both have their links.');
        self::assertSame(2, DB::table('record_links')->where('table', 'ground_events')->count());
    }

    public function test_a_photo_of_the_bag_is_kept_for_the_team_alone(): void
    {
        Storage::fake('local');
        $area = $this->area(use: 'corn');
        $id = $this->note(self::entry($area->id, ['what' => 'Gypsum', 'amount' => 500]))->json('stored.0.id');
        $file = static fn (): UploadedFile => PngFile::of('bag.png', 60, 60);
        $first = $this->post("/api/ground-events/{$id}/photos", ['picture' => $file()], ['Accept' => 'application/json'])
            ->assertCreated()
            ->json('id');
        $this->post("/api/ground-events/{$id}/photos", ['picture' => $file()], ['Accept' => 'application/json'])
            ->assertJsonPath('id', $first);
        $this->get("/api/bag-photos/{$first}")->assertOk()->assertHeader('Content-Type', 'image/png');
        [$stranger] = $this->team('Marsh crew', 'marsh');
        $this->actingAs($stranger);
        $this->get("/api/bag-photos/{$first}")->assertNotFound();
        $this->note(self::entry($area->id, ['what' => 'Gypsum', 'amount' => 500]))->assertJsonCount(1, 'refused');
    }

    public function test_a_plan_hears_that_its_day_is_too_soon_after_spreading(): void
    {
        Carbon::setTestNow('2024-11-20 15:00:00');
        $plan = $this->plan($area = $this->area(use: 'corn'));
        $this->note(self::entry($area->id, ['product' => 'limestone-pelleted', 'amount' => 2000]))->assertJsonCount(1, 'stored');
        $soon = $this->api('PUT', '/plans/{plan}/day', ['pull_on' => '2024-12-10'], ['plan' => $plan->id])->assertOk()->json('too_soon');
        self::assertStringContainsString('was spread on 20 Nov 2024, 20 days before', $soon[0]);
        $this->api('GET', '/plans/{plan}', ids: ['plan' => $plan->id])->assertJsonPath('too_soon.0', $soon[0]);
        $this->api('GET', '/plans', query: ['site_id' => $area->site_id])->assertJsonPath('0.too_soon.0', $soon[0]);
        $this->api('PUT', '/plans/{plan}/day', ['pull_on' => '2025-03-10'], ['plan' => $plan->id])->assertJsonCount(0, 'too_soon');
    }

    public function test_what_was_logged_speaks_where_two_areas_are_held_against_each_other(): void
    {
        Carbon::setTestNow('2024-11-20 15:00:00');
        $area = $this->area($site = $this->site(), 'corn');
        $other = $this->area($site, 'corn', 'Reed meadow');
        $together = fn (): array => $this->api(
            'GET', '/areas/{area}/together/{other}', ids: ['area' => $area->id, 'other' => $other->id],
        )->assertOk()->json('reasons');
        $before = $together();
        $this->note(self::entry($area->id, ['product' => 'limestone-pelleted', 'amount' => 2000]))->assertJsonCount(1, 'stored');
        self::assertNotSame($before, $together());
        self::assertStringContainsString('lime in 2024-11', implode(' ', $together()));
        // And an area with a log is not swallowed by another.
        $this->api('POST', '/areas/{area}/join/{other}', ids: ['area' => $other->id, 'other' => $area->id])->assertStatus(409);
    }
}
