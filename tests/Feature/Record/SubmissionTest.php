<?php

declare(strict_types=1);

namespace Tests\Feature\Record;

use App\Models\CustodyLine;
use App\Models\Submission;
use Illuminate\Support\Carbon;
use Tests\Feature\ApiTestCase;

/** The same submission is taken once; under its name nothing else is; an edit is based on what is stored. */
final class SubmissionTest extends ApiTestCase
{
    private const NAME = '6f9619ff-8b86-4d01-b42d-00cf4fc964ff';

    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-09-01 18:00:00');
    }

    public function test_what_comes_twice_is_taken_once_and_something_else_under_its_name_is_refused(): void
    {
        $code = $this->sample()->portions()->firstOrFail()->code;
        $body = [
            'submission' => self::NAME,
            'codes' => [$code],
            'step' => 'drying',
            'at' => now()->toIso8601ZuluString(),
            'place' => 'Rack 2',
            'condition' => null,
            'celsius' => null,
            'corrects' => null,
        ];
        $lines = CustodyLine::query()->count();
        $this->api('POST', '/custody-steps', $body)->assertSuccessful();
        $this->api('POST', '/custody-steps', array_reverse($body, true))->assertSuccessful();
        self::assertSame($lines + 1, CustodyLine::query()->count());

        $refused = $this->api('POST', '/custody-steps', ['place' => 'Rack 3'] + $body)->assertStatus(409);
        self::assertSame('submission_other', $refused->json('code'));
        self::assertSame($lines + 1, CustodyLine::query()->count());
        self::assertSame('Rack 2', CustodyLine::query()->latest('id')->firstOrFail()->place);
    }

    public function test_one_that_was_refused_may_come_again_mended(): void
    {
        $code = $this->sample()->portions()->firstOrFail()->code;
        $body = [
            'submission' => self::NAME,
            'codes' => [$code],
            'step' => 'no step',
            'at' => now()->toIso8601ZuluString(),
            'place' => null,
            'condition' => null,
            'celsius' => null,
            'corrects' => null,
        ];
        $this->api('POST', '/custody-steps', $body)->assertStatus(422);
        self::assertSame(0, Submission::query()->count());
        $this->api('POST', '/custody-steps', ['step' => 'drying'] + $body)->assertSuccessful();
    }

    public function test_the_order_of_fields_and_the_clock_of_the_device_say_nothing(): void
    {
        $body = ['a' => 1, 'b' => ['d' => 2, 'c' => [3, 4]], 'now_ms' => 5];

        self::assertSame(
            Submission::contentOf('api/x', $body),
            Submission::contentOf('api/x', ['now_ms' => 6, 'b' => ['c' => [3, 4], 'd' => 2], 'a' => 1]),
        );
        foreach ([['a' => 2] + $body, ['b' => ['d' => 2, 'c' => [4, 3]]] + $body] as $other) {
            self::assertNotSame(Submission::contentOf('api/x', $body), Submission::contentOf('api/x', $other));
        }
        self::assertNotSame(Submission::contentOf('api/x', $body), Submission::contentOf('api/y', $body));
    }

    public function test_another_team_may_use_the_same_name(): void
    {
        Submission::keep(self::NAME, str_repeat('a', 64));
        [$other] = $this->team('Heath crew', 'heath');
        $this->actingAs($other);

        self::assertFalse(Submission::holdsOther(self::NAME, str_repeat('b', 64)));
    }

    public function test_an_area_that_somebody_else_changed_meanwhile_is_not_written_over(): void
    {
        $area = $this->area();
        $seen = $this->api('GET', '/sites/{site}', ids: ['site' => $area->site_id])->json('areas.0');
        $body = ['name' => $area->name, 'use' => $area->use, 'boundary' => $area->boundary, 'state' => $seen['state']];
        $ids = ['area' => $area->id];
        $first = $this->api('PUT', '/areas/{area}', $body + ['history' => 'Limed in 2024.'], $ids)->assertOk();

        $second = $this->api('PUT', '/areas/{area}', $body + ['history' => 'Never limed.'], $ids)->assertStatus(409);
        self::assertSame('record_changed', $second->json('code'));
        self::assertSame('Limed in 2024.', $area->refresh()->history);

        $this->api(
            'PUT',
            '/areas/{area}',
            ['state' => $first->json('state'), 'history' => 'Limed in 2024, not in 2025.'] + $body,
            $ids,
        )->assertOk();
    }

    public function test_what_is_not_there_is_said_without_names_of_the_program(): void
    {
        $answer = $this->api('GET', '/areas/{area}/schools', ids: ['area' => 99])->assertNotFound();

        self::assertSame('There is nothing here under this address.', $answer->json('message'));
        self::assertStringNotContainsString('App', (string) $answer->getContent());
    }

    public function test_many_accounts_are_not_tried_from_one_place(): void
    {
        $this->app?->make('auth')->logout();
        $statuses = [];
        for ($i = 0; $i < 61; $i++) {
            $statuses[] = $this->api('POST', '/session', ['email' => "p{$i}@team.example", 'password' => 'x'])->status();
        }

        self::assertSame([422, 429], [$statuses[59], $statuses[60]]);
    }
}
