<?php

declare(strict_types=1);

namespace Tests\Feature\Changes;

use App\Actions\FollowUp\Campaign;
use App\Http\Middleware\TellsChange;
use App\Models\AccountEvent;
use App\Models\Area;
use App\Models\Landmark;
use App\Models\PhAnswer;
use App\Models\RecordChange;
use App\Models\Site;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

/** Names, facts, answers and moves are taken back, at once or later, and nothing that was saved since is written over. */
final class ChangesTest extends ApiTestCase
{
    private const LAB = [
        'tests' => [[
            'code' => 'ph', 'name' => 'pH', 'method' => null, 'extractant' => null, 'unit' => '', 'fee_cents' => 900, 'needs_ml' => 50,
            'depth' => null, 'outside' => null,
        ]],
        'columns' => [['column' => 'Sample ID', 'field' => 'code']],
    ];

    /**
     * @param array<string, mixed> $other
     * @return TestResponse<Response>
     */
    private function change(Area $area, array $other): TestResponse
    {
        $body = ['name' => $area->name, 'use' => $area->use, 'history' => $area->history, 'boundary' => $area->boundary];

        return $this->api('PUT', '/areas/{area}', $other + $body, ['area' => $area->id]);
    }

    /** @param TestResponse<Response> $answer */
    private function number(TestResponse $answer): int
    {
        return (int) $answer->headers->get(TellsChange::HEADER);
    }

    /** @return TestResponse<Response> */
    private function takeBack(int $change): TestResponse
    {
        return $this->api('POST', '/changes/{change}/take-back', ids: ['change' => $change]);
    }

    public function test_a_name_and_a_use_are_put_back_and_then_put_in_place_again(): void
    {
        $area = $this->area();
        $changed = $this->number($this->change($area, ['name' => 'Sedge meadow, east', 'use' => 'orchard'])->assertOk());
        $back = $this->takeBack($changed)->assertNoContent();
        self::assertSame(['Sedge meadow', 'pasture'], [$area->refresh()->name, $area->use]);

        $list = $this->api('GET', '/changes', query: ['kind' => 'area', 'record' => $area->id])->assertOk();
        self::assertSame([$changed, null], array_column($list->json('rows'), 'takes_back'));
        self::assertSame([false, true], array_column($list->json('rows'), 'taken_back'));
        self::assertSame(
            ['field' => 'use', 'before' => 'pasture', 'after' => 'orchard'],
            $list->json('rows.1.fields.1'),
        );
        self::assertSame('Ada Fenwright', $list->json('rows.0.who'));
        self::assertSame('taken_back_before', $this->takeBack($changed)->assertStatus(409)->json('code'));
        $this->takeBack($this->number($back))->assertNoContent();
        self::assertSame('Sedge meadow, east', $area->refresh()->name);
    }

    public function test_what_was_changed_again_is_not_put_back_over_it(): void
    {
        $area = $this->area();
        $first = $this->number($this->change($area, ['history' => 'Limed in 2020.']));
        $second = $this->number($this->change($area, ['history' => 'Limed in 2021.']));
        self::assertSame('changed_since', $this->takeBack($first)->assertStatus(409)->json('code'));
        self::assertSame('Limed in 2021.', $area->refresh()->history);
        $this->takeBack($second)->assertNoContent();
        $this->takeBack($first)->assertNoContent();
        self::assertSame('', $area->refresh()->history);
    }

    public function test_a_name_that_another_has_by_now_is_not_given_twice(): void
    {
        $area = $this->area();
        $changed = $this->number($this->change($area, ['name' => 'Sedge meadow, east']));
        $this->area($area->site, name: 'Sedge meadow');
        self::assertSame('name_taken_since', $this->takeBack($changed)->assertStatus(409)->json('code'));
        self::assertSame('Sedge meadow, east', $area->refresh()->name);

        $site = $area->site;
        $body = $this->api('GET', '/sites/{site}', ids: ['site' => $site->id])->json();
        $lettered = $this->number($this->api('PUT', '/sites/{site}', ['letters' => 'QX'] + $body, ['site' => $site->id])->assertOk());
        $this->site('FN');
        self::assertSame('name_taken_since', $this->takeBack($lettered)->assertStatus(409)->json('code'));
    }

    public function test_a_boundary_comes_back_with_its_extent_and_facts_come_back(): void
    {
        $area = $this->area();
        [$was, $extent] = [$area->boundary, $area->area_m2];
        $half = self::SQUARE;
        $half['coordinates'][0][1][0] = $half['coordinates'][0][2][0] = ($half['coordinates'][0][0][0] + $half['coordinates'][0][1][0]) / 2;
        $changed = $this->number($this->change($area, ['boundary' => $half, 'facts' => ['irrigated' => true]])->assertOk());
        self::assertEqualsWithDelta($extent / 2, $area->refresh()->area_m2, 1.0);
        $this->takeBack($changed)->assertNoContent();
        self::assertSame([$was, $extent], [$area->refresh()->boundary, $area->area_m2]);
        self::assertNotTrue($area->knownFacts()->toArray()['irrigated']);
    }

    public function test_what_is_part_of_another_act_does_not_go_back_alone(): void
    {
        $area = $this->area();
        RecordChange::partOf(fn (): bool => $area->update(['name' => 'Half']));
        $noted = RecordChange::query()->latest('id')->firstOrFail();
        self::assertFalse($this->api('GET', '/changes')->json('rows.0.can_go_back'));
        self::assertSame('change_stays', $this->takeBack($noted->id)->assertStatus(409)->json('code'));
    }

    public function test_a_site_goes_back_but_not_the_letters_of_codes(): void
    {
        $site = $this->site();
        $body = $this->api('GET', '/sites/{site}', ids: ['site' => $site->id])->json();
        $changed = $this->number($this->api('PUT', '/sites/{site}', ['letters' => 'QX'] + $body, ['site' => $site->id])->assertOk());
        $this->sample($this->area($site->refresh()));
        self::assertSame('letters_in_use', $this->takeBack($changed)->assertStatus(409)->json('code'));
        self::assertSame('QX', $site->refresh()->letters);

        $now = $this->api('GET', '/sites/{site}', ids: ['site' => $site->id])->json();
        $other = $this->number($this->api('PUT', '/sites/{site}', ['units' => 'metric'] + $now, ['site' => $site->id])->assertOk());
        $this->takeBack($other)->assertNoContent();
        self::assertSame('us', $site->refresh()->units);
    }

    public function test_a_landmark_that_was_removed_comes_back_as_it_was(): void
    {
        $site = $this->site();
        $place = ['type' => 'Point', 'coordinates' => [-76.281, 42.9145]];
        $landmark = Landmark::record(['site_id' => $site->id, 'name' => 'Mill Lane', 'geometry' => $place, 'distance_m' => 10]);
        $gone = $this->number($this->api('DELETE', '/landmarks/{landmark}', ids: ['landmark' => $landmark->id])->assertNoContent());
        $this->takeBack($gone)->assertNoContent();
        $back = Landmark::named($landmark->id);
        self::assertSame(['Mill Lane', $place, 10.0], [$back->name, $back->geometry, $back->distance_m]);
    }

    public function test_an_answer_and_a_week_go_back_to_what_was_said_before(): void
    {
        $area = $this->area(use: 'blueberry');
        $answer = fn (string $to): int => $this->number($this->api(
            'POST', '/areas/{area}/ph-answers', ['question' => 'drainage', 'answer' => $to, 'note' => ''], ['area' => $area->id],
        )->assertCreated());
        $first = $answer('yes');
        $second = $answer('no');
        $this->takeBack($second)->assertNoContent();
        self::assertSame('yes', PhAnswer::newest($area, 'drainage'));
        $this->takeBack($first)->assertNoContent();
        self::assertSame('unknown', PhAnswer::newest($area, 'drainage'));

        $move = fn (?string $week): int => $this->number(
            $this->api('PUT', '/campaign/areas/{area}', ['week' => $week], ['area' => $area->id])->assertNoContent(),
        );
        $monday = now()->addWeeks(3)->startOfWeek()->format('Y-m-d');
        $moved = $move($monday);
        $gone = $move(null);
        $this->takeBack($gone)->assertNoContent();
        self::assertSame($monday, app(Campaign::class)->movedTo($area));
        $this->takeBack($moved)->assertNoContent();
        self::assertNull(app(Campaign::class)->movedTo($area));
    }

    public function test_what_was_changed_is_written_once_and_kept_within_the_team(): void
    {
        $area = $this->area();
        $changed = $this->number($this->change($area, ['name' => 'Moss']));
        foreach (['UPDATE record_changes SET name = 1', 'DELETE FROM record_changes'] as $sql) {
            try {
                DB::statement($sql);
                self::fail($sql);
            } catch (QueryException $error) {
                self::assertStringContainsString('written once', $error->getMessage());
            }
        }
        [, $stranger] = $this->team('Moor crew', 'moor');
        $this->flushSession();
        $this->actingAs($stranger);
        self::assertSame(0, $this->api('GET', '/changes')->json('total'));
        $this->takeBack($changed)->assertNotFound();
    }

    public function test_saving_the_same_again_is_no_change(): void
    {
        $area = $this->area();
        self::assertFalse($this->change($area, [])->headers->has(TellsChange::HEADER));
        self::assertSame(0, RecordChange::query()->count());
    }

    public function test_what_somebody_may_not_do_is_noted_for_who_administers(): void
    {
        $this->reviewer->update(['role' => 'reader']);
        $this->flushSession();
        $this->actingAs($this->reviewer);
        $site = Site::query()->first() ?? $this->site();
        $this->api('PUT', '/sites/{site}/school', ['school' => null], ['site' => $site->id])->assertForbidden();
        $noted = AccountEvent::query()->latest('id')->firstOrFail();
        self::assertSame(['not_allowed', "put sites/{$site->id}/school"], [$noted->kind, $noted->about]);
    }

    /**
     * @param array<string, int|string> $ids
     * @param array<string, mixed> $body
     * @return TestResponse<Response>
     */
    private function send(string $path, array $ids, array $body): TestResponse
    {
        $named = array_combine(array_map(static fn (string $one): string => "{{$one}}", array_keys($ids)), array_map(strval(...), $ids));

        return $this->putJson('/api'.strtr($path, $named), $body);
    }

    /** @return array<string, mixed> the one of some rows whose field begins so */
    private static function row(mixed $rows, string $field, string $with): array
    {
        foreach (is_array($rows) ? $rows : [] as $row) {
            if (is_array($row) && str_starts_with((string) $row[$field], $with) && $row[$field] !== 'Marl Laboratory') {
                return $row;
            }
        }
        self::fail("No {$with}.");
    }

    /** @return iterable<string, array{string, string}> a record and what of it is changed in two tabs */
    public static function records(): iterable
    {
        yield 'site' => ['site', 'name'];
        yield 'lab' => ['lab', 'name'];
        yield 'product' => ['product', 'name'];
        yield 'school' => ['school', 'why'];
        yield 'plan' => ['plan', 'cores'];
    }

    #[DataProvider('records')]
    public function test_two_tabs_do_not_write_over_one_another(string $record, string $field): void
    {
        $site = $this->site();
        [$path, $ids] = match ($record) {
            'site' => ['/sites/{site}', ['site' => $site->id]],
            'lab' => ['/labs/{lab}', ['lab' => $this->lab('Marl')->id]],
            'product' => ['/shelf/{product}', ['product' => 'urea']],
            'school' => ['/schools/{school}', ['school' => 'turf']],
            default => ['/plans/{plan}', ['plan' => $this->plan($this->area($site))->id]],
        };
        $read = function () use ($record, $site, $ids): array {
            $plan = $record === 'plan' ? $this->getJson('/api/plans/'.($ids['plan'] ?? 0))->json() : [];

            return match ($record) {
                'site' => (array) $this->getJson("/api/sites/{$site->id}")->json(),
                'lab' => self::LAB + self::row($this->getJson('/api/labs')->json('labs'), 'name', 'Marl'),
                'product' => self::row($this->getJson('/api/shelf')->json('products'), 'code', 'urea'),
                'school' => self::row($this->getJson('/api/schools')->json(), 'code', 'turf'),
                default => ['state' => $plan['state'], 'keep_away' => []] + $plan['spec'],
            };
        };
        $opened = $read();
        $with = static fn (array $body, int $n): array => [
            $field => is_int($body[$field]) ? $body[$field] + $n : "{$body[$field]} {$n}",
        ] + $body;
        $this->send($path, $ids, $with($opened, 1))->assertOk();
        $late = $this->send($path, $ids, $with($opened, 2))->assertStatus(409);
        self::assertSame('record_changed', $late->json('code'));
        $now = $read();
        self::assertSame($with($opened, 1)[$field], $now[$field]);
        $this->send($path, $ids, $with($now, 3))->assertOk();
        unset($now['state']);
        $this->send($path, $ids, $with($now, 4))->assertOk();
    }
}
