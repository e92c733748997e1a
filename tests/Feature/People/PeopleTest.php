<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Actions\People\TimeCode;
use App\Http\Middleware\ReadersChangeNothing;
use App\Models\AccountEvent;
use App\Models\Invitation;
use App\Models\KnownSignIn;
use App\Models\Reading;
use App\Models\SecondFactor;
use App\Models\User;
use Illuminate\Database\QueryException;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;

/** How people come into a team, what each may do there, and how they leave it while what they wrote stays. */
final class PeopleTest extends ApiTestCase
{
    /** What only computes, and their own account. */
    private const OPEN_TO_READERS = [
        'api/account/*', 'api/boundaries/*', 'api/areas/{area}/plans/draft', 'api/areas/{area}/comparison', 'api/consignments/draft',
        'api/colour-matches', 'api/vision-plates', 'api/reports/read', 'api/evidence/{method}/records/preview',
        'api/evidence/{method}/strategies', 'api/areas/{area}/program/try', 'api/reckoner/{tool}', 'api/practice/*',
    ];

    private const PASSWORD = 'four words of peat';

    protected function setUp(): void
    {
        parent::setUp();
        $this->technician->update(['password' => self::PASSWORD]);
    }

    /** @param array<string, mixed> $as */
    private function invited(array $as = []): string
    {
        $made = $this->api('POST', '/people/invitations', $as + ['email' => 'Rue@fen.example', 'role' => 'reader', 'administers' => false])
            ->assertCreated();

        return substr((string) $made->json('address'), strlen('/invitation/'));
    }

    /** With a session of their own. */
    private function as(User $person): void
    {
        $this->nobody();
        $this->actingAs($person);
    }

    private function nobody(): void
    {
        $this->flushSession();
        $this->app['auth']->forgetGuards();
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function signIn(string $email = 'fen-t@team.example', string $password = self::PASSWORD, string $code = ''): TestResponse
    {
        $this->nobody();

        return $this->api('POST', '/session', ['email' => $email, 'password' => $password] + ($code === '' ? [] : ['code' => $code]));
    }

    /** @return list<string> */
    private function noted(): array
    {
        return array_values(AccountEvent::query()->withoutGlobalScopes()->orderBy('id')->get()
            ->map(static fn (AccountEvent $one): string => trim("{$one->kind} {$one->about}"))->all());
    }

    public function test_somebody_joins_by_an_address_that_is_good_once_and_for_a_week(): void
    {
        $token = $this->invited();
        self::assertSame(0, DB::table('invitations')->where('token_hash', $token)->count(), 'the address itself is not kept');
        $this->api('POST', '/people/invitations', ['email' => 'fen-r@team.example', 'role' => 'reader', 'administers' => false])
            ->assertUnprocessable()->assertJsonPath('errors.email.0', 'Somebody has an account with this address already.');
        $this->api('POST', '/people/invitations', ['email' => 'x@fen.example', 'role' => 'owner', 'administers' => false])
            ->assertUnprocessable();
        self::assertSame(['rue@fen.example'], array_column($this->api('GET', '/people')->json('invitations'), 'email'));

        $this->nobody();
        $this->json('GET', "/api/invitations/{$token}")->assertOk()->assertJson(['team' => 'Fen crew', 'role' => 'reader']);
        $this->json('POST', "/api/invitations/{$token}", ['name' => 'Rue Marsh', 'new_password' => 'short'])->assertUnprocessable()
            ->assertJsonValidationErrors('new_password');
        $this->json('POST', "/api/invitations/{$token}", ['name' => 'Rue Marsh', 'new_password' => 'long enough words'])
            ->assertCreated()->assertJson(['name' => 'Rue Marsh', 'role' => 'reader', 'may_write' => false, 'team' => 'Fen crew']);
        $this->app['auth']->forgetGuards();
        $this->json('GET', '/api/session')->assertOk()->assertJsonPath('email', 'rue@fen.example');
        $this->json('POST', "/api/invitations/{$token}", ['name' => 'Another', 'new_password' => 'long enough words'])->assertNotFound();

        $this->signIn('RUE@fen.example', 'long enough words')->assertOk();
        $this->as($this->technician);
        $twice = [$this->invited(['email' => 'ash@fen.example']), $this->invited(['email' => 'ash@fen.example'])];
        $this->nobody();
        $join = ['name' => 'Ash Holt', 'new_password' => 'long enough words'];
        $this->json('POST', "/api/invitations/{$twice[0]}", $join)->assertCreated();
        $this->nobody();
        $this->json('POST', "/api/invitations/{$twice[1]}", $join)->assertNotFound();

        $this->as($this->technician);
        $late = $this->invited(['email' => 'late@fen.example']);
        $this->nobody();
        Carbon::setTestNow(now()->addDays(7)->addMinute());
        $this->json('GET', "/api/invitations/{$late}")->assertNotFound();
        Carbon::setTestNow();
        $this->as($this->technician);
        $invitation = Invitation::query()->where('email', 'late@fen.example')->firstOrFail();
        $this->api('DELETE', '/people/invitations/{invitation}', ids: ['invitation' => $invitation->id])->assertNoContent();
        $this->json('GET', "/api/invitations/{$late}")->assertNotFound();
    }

    public function test_who_does_not_administer_keeps_no_people_and_nobody_keeps_those_of_another_team(): void
    {
        [$stranger] = $this->team('Other crew', 'other');
        $asked = [
            ['POST', '/people/invitations', []],
            ['PUT', '/people/{person}', ['person' => $this->technician->id]],
            ['POST', '/people/{person}/close', ['person' => $this->technician->id]],
            ['POST', '/people/{person}/reset', ['person' => $this->technician->id]],
            ['GET', '/account-events', []],
        ];
        foreach ([$this->reviewer, $stranger] as $person) {
            $this->as($person);
            foreach ($asked as [$method, $path, $ids]) {
                if ($person === $stranger && $ids === []) {
                    continue;
                }
                $this->api($method, $path, ['role' => 'reader', 'administers' => true, 'email' => 'a@b.example'], $ids)->assertForbidden();
            }
        }
        $this->as($stranger);
        $seen = array_column($this->api('GET', '/people')->json('people'), 'email');
        self::assertSame(['other-t@team.example', 'other-r@team.example'], $seen);
    }

    public function test_a_reader_sees_all_and_changes_nothing(): void
    {
        $sample = $this->sample();
        $this->reviewer->update(['role' => User::READER]);
        $this->as($this->reviewer->refresh());
        $this->api('GET', '/samples/{sample}', ids: ['sample' => $sample->id])->assertOk();
        $this->api('POST', '/samples/{sample}/readings', [
            'method_id' => $this->method('kit-ph')->id, 'reading' => '6.0', 'read_on' => '2026-09-03', 'reader' => 'R', 'flags' => [],
            'note' => '',
        ], ['sample' => $sample->id])->assertForbidden()->assertJsonPath('message', 'A reader sees all and changes nothing.');
        self::assertSame(0, Reading::query()->count());
        $this->api('POST', '/areas/{area}/plans/draft', self::SPEC, ['area' => $sample->area_id])->assertOk();
        $open = $refused = [];
        foreach (app('router')->getRoutes()->getRoutes() as $route) {
            $verb = array_values(array_intersect(['POST', 'PUT', 'DELETE'], $route->methods()))[0] ?? '';
            $isOpen = ! in_array(ReadersChangeNothing::class, $route->gatherMiddleware(), true);
            if ($verb === '' || $route->uri() === 'api/session' || $isOpen) {
                continue;
            }
            $status = $this->json($verb, '/'.preg_replace('/{\w+}/', '1', $route->uri()))->status();
            if ($status === 403) {
                $refused[] = $route->uri();
            } elseif ($status !== 404) {
                $open[] = $route->uri();
            }
        }
        self::assertSame([], array_values(array_filter($open, static fn (string $uri): bool => ! Str::is(self::OPEN_TO_READERS, $uri))));
        self::assertGreaterThan(25, count($refused));
    }

    public function test_a_password_is_changed_and_every_other_device_signs_in_again(): void
    {
        $this->signIn()->assertOk();
        $other = KnownSignIn::query()->firstOrFail();
        $this->signIn()->assertOk();
        self::assertCount(2, $this->json('GET', '/api/account')->json('sign_ins'));
        $this->json('PUT', '/api/account/password', ['password' => 'wrong', 'new_password' => 'other words of peat'])
            ->assertUnprocessable()->assertJsonPath('errors.password.0', 'That is not your password; nothing was changed.');
        $this->json('PUT', '/api/account/password', ['password' => self::PASSWORD, 'new_password' => 'other words of peat'])
            ->assertNoContent();
        self::assertNotNull($other->refresh()->ended_at);
        $this->json('GET', '/api/session')->assertOk();
        $this->signIn()->assertUnprocessable();
        $this->signIn(password: 'other words of peat')->assertOk();
        self::assertSame(
            ['signed_in', 'signed_in', 'password changed', 'refused wrong password', 'signed_in'],
            $this->noted(),
        );
    }

    public function test_a_sign_in_is_ended_from_another_device(): void
    {
        $this->signIn()->assertOk();
        $session = session()->all();
        $this->signIn()->assertOk();
        [$own, $other] = KnownSignIn::query()->orderByDesc('id')->get()->all();
        $this->api('DELETE', '/account/sign-ins/{id}', ids: ['id' => $other->id])->assertNoContent();
        $this->api('DELETE', '/account/sign-ins/{id}', ids: ['id' => $other->id])->assertNotFound();
        $this->api('GET', '/session')->assertOk();
        self::assertSame([$own->id], array_column($this->json('GET', '/api/account')->json('sign_ins'), 'id'));

        $this->nobody();
        $this->withSession($session)->json('GET', '/api/session')->assertUnauthorized();
        $this->as($this->reviewer);
        $this->api('DELETE', '/account/sign-ins/{id}', ids: ['id' => $own->id])->assertNotFound();
    }

    public function test_an_address_made_by_who_administers_sets_a_password_once(): void
    {
        $made = $this->api('POST', '/people/{person}/reset', ids: ['person' => $this->reviewer->id])->assertCreated();
        $address = (string) $made->json('address');
        self::assertSame(1, preg_match('#^/reset/(\w+)\?email=fen-r%40team\.example$#', $address, $found));
        $this->nobody();
        $set = fn (string $token) => $this->api('POST', '/password/reset', [
            'email' => 'fen-r@team.example', 'token' => $token, 'new_password' => 'sedge and bulrush',
        ]);
        $set('guessed')->assertUnprocessable();
        $set($found[1] ?? '')->assertNoContent();
        $set($found[1] ?? '')->assertUnprocessable()
            ->assertJsonPath('errors.token.0', 'This address was used or has ended. Ask for another.');
        $this->signIn('fen-r@team.example', 'sedge and bulrush')->assertOk();
    }

    public function test_mail_goes_out_only_where_a_mailer_is_set_up(): void
    {
        Mail::fake();
        $this->api('POST', '/password/ask', ['email' => 'fen-r@team.example'])->assertNoContent();
        self::assertSame(0, DB::table('password_reset_tokens')->count());
        config(['mail.default' => 'smtp']);
        $this->api('POST', '/password/ask', ['email' => 'fen-r@team.example'])->assertNoContent();
        $this->api('POST', '/password/ask', ['email' => 'nobody@team.example'])->assertNoContent();
        self::assertSame(['fen-r@team.example'], DB::table('password_reset_tokens')->pluck('email')->all());
    }

    /**
     * RFC 6238, appendix B: SHA-1, the secret 12345678901234567890; its codes of eight digits, of which six are shown.
     *
     * @return iterable<int, array{int, string}>
     */
    public static function codes(): iterable
    {
        $codes = [
            59 => '94287082', 1_111_111_109 => '07081804', 1_111_111_111 => '14050471', 1_234_567_890 => '89005924',
            2_000_000_000 => '69279037', 20_000_000_000 => '65353130',
        ];
        foreach ($codes as $at => $code) {
            yield $at => [$at, substr($code, 2)];
        }
    }

    #[DataProvider('codes')]
    public function test_codes_are_those_of_the_standard(int $at, string $code): void
    {
        self::assertSame($code, TimeCode::at('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ', intdiv($at, 30)));
    }

    public function test_a_second_factor_is_asked_for_and_no_code_is_taken_twice(): void
    {
        Carbon::setTestNow('2026-09-01 08:00:00');
        $begun = $this->api('POST', '/account/second-factor', ['password' => self::PASSWORD])->assertCreated();
        $secret = (string) $begun->json('secret');
        self::assertStringContainsString("secret={$secret}", (string) $begun->json('uri'));
        self::assertStringNotContainsString($secret, (string) DB::table('second_factors')->value('secret'), 'it is kept encrypted');
        $code = static fn (int $seconds = 0): string => TimeCode::at($secret, intdiv(now()->getTimestamp() + $seconds, 30));
        $this->signIn()->assertOk();
        $this->api('PUT', '/account/second-factor', ['code' => '000000'])->assertUnprocessable();
        $recovery = $this->api('PUT', '/account/second-factor', ['code' => $code()])->assertOk()->json('recovery');
        self::assertCount(8, $recovery);

        $this->signIn()->assertUnprocessable()->assertJsonValidationErrors('code');
        $this->signIn(code: $code())->assertUnprocessable();
        self::assertSame(0, KnownSignIn::query()->where('created_at', '>', now())->count());
        Carbon::setTestNow('2026-09-01 08:01:00');
        $this->signIn(code: $code(-90))->assertUnprocessable();
        $this->signIn(code: substr($code(30), 0, 3).' '.substr($code(30), 3))->assertOk();
        $this->signIn(code: $code())->assertUnprocessable();
        $this->signIn(code: $recovery[0])->assertOk();
        $this->signIn(code: $recovery[0])->assertUnprocessable();
        $this->signIn(password: 'wrong', code: $recovery[1])->assertUnprocessable()->assertJsonMissingValidationErrors('code');

        $this->as($this->technician);
        $this->api('POST', '/people/{person}/second-factor/end', ids: ['person' => $this->technician->id])->assertNoContent();
        self::assertNull(SecondFactor::of($this->technician));
        $this->signIn()->assertOk();
    }

    public function test_an_account_is_closed_and_what_was_written_stays(): void
    {
        $sample = $this->sample();
        $this->api('POST', '/account/close', ['password' => self::PASSWORD])->assertStatus(409)
            ->assertJsonPath('code', 'last_administrator');
        $this->api('PUT', '/people/{person}', ['role' => 'technician', 'administers' => false], ['person' => $this->technician->id])
            ->assertStatus(409);
        $this->api('PUT', '/people/{person}', ['role' => 'reviewer', 'administers' => true], ['person' => $this->reviewer->id])->assertOk();
        $token = $this->api('POST', '/account/tokens', ['password' => self::PASSWORD, 'name' => 'Nightly', 'writes' => true, 'days' => 30])
            ->assertCreated()->json('token');
        $this->signIn()->assertOk();
        $this->json('POST', '/api/account/close', ['password' => self::PASSWORD])->assertNoContent();
        $this->json('GET', '/api/session')->assertUnauthorized();
        $this->signIn()->assertUnprocessable()->assertJsonPath('errors.email.0', 'No account has this address and password.');
        $this->withToken((string) $token)->json('GET', '/api/samples?site_id=1')->assertUnauthorized();
        $this->withoutToken();

        $this->as($this->reviewer->refresh());
        self::assertSame('Ada Fenwright', $this->api('GET', '/samples/{sample}', ids: ['sample' => $sample->id])->json('pulled_by'));
        $people = $this->api('GET', '/people')->json('people');
        self::assertSame([null, 'fen-t@team.example'], [$people[0]['closed_at'], $people[1]['email']]);
        self::assertNotNull($people[1]['closed_at']);
    }

    public function test_a_token_reads_or_writes_until_its_end_and_keeps_no_accounts(): void
    {
        $sample = $this->sample();
        $make = fn (bool $writes): string => (string) $this->api('POST', '/account/tokens', [
            'password' => self::PASSWORD, 'name' => $writes ? 'Scale' : 'Nightly copy', 'writes' => $writes, 'days' => 30,
        ])->assertCreated()->json('token');
        [$reads, $writes] = [$make(false), $make(true)];
        self::assertSame(0, DB::table('personal_access_tokens')->where('token', $reads)->count());
        $reading = [
            'method_id' => $this->method('kit-ph')->id, 'reading' => '6.0', 'read_on' => '2026-09-03', 'reader' => 'Scale', 'flags' => [],
            'note' => '',
        ];
        $this->nobody();
        $this->withToken($reads)->json('GET', "/api/samples/{$sample->id}")->assertOk();
        $this->nobody();
        $this->withToken($reads)->json('POST', "/api/samples/{$sample->id}/readings", $reading)->assertForbidden();
        $this->nobody();
        $this->withToken($writes)->json('POST', "/api/samples/{$sample->id}/readings", $reading)->assertCreated();
        $this->nobody();
        $this->withToken($writes)->json('POST', "/api/evidence/{$reading['method_id']}/verdicts", ['password' => self::PASSWORD])
            ->assertForbidden();
        foreach (['/api/account', '/api/people', '/api/account-events'] as $path) {
            $this->nobody();
            $this->withToken($writes)->json('GET', $path)->assertForbidden();
        }
        $this->nobody();
        $this->withToken('hc_1|made-up')->json('GET', "/api/samples/{$sample->id}")->assertUnauthorized();
        $this->nobody();
        Carbon::setTestNow(now()->addDays(31));
        $this->withToken($reads)->json('GET', "/api/samples/{$sample->id}")->assertUnauthorized();
        Carbon::setTestNow();
        $this->withoutToken();

        [$stranger] = $this->team('Other crew', 'other');
        $this->as($stranger);
        $id = (int) DB::table('personal_access_tokens')->min('id');
        $this->api('DELETE', '/account/tokens/{id}', ids: ['id' => $id])->assertNotFound();
        $this->as($this->technician);
        $this->api('DELETE', '/account/tokens/{id}', ids: ['id' => $id])->assertNoContent();
        self::assertCount(1, $this->api('GET', '/account')->json('tokens'));
    }

    public function test_what_was_done_with_accounts_and_what_left_the_team_is_written_once(): void
    {
        $site = $this->site();
        $this->invited();
        $this->get('/api/results.csv')->assertOk()->streamedContent();
        $this->api('POST', '/calendar-addresses', ['name' => 'Ada'])->assertCreated();
        $this->get("/api/sites/{$site->id}/areas/export/kml");
        $events = $this->api('GET', '/account-events')->assertOk();
        self::assertSame(
            [
                "exported sites/{$site->id}/areas/export/kml", 'shared a calendar, Ada', 'exported results.csv',
                'invited rue@fen.example, reader',
            ],
            array_map(static fn (array $one): string => "{$one['kind']} {$one['about']}", $events->json('rows')),
        );
        self::assertSame('Ada Fenwright', $events->json('rows.0.who'));
        self::assertSame(1, $this->api('GET', '/account-events', query: ['kind' => 'invited'])->json('total'));
        foreach (['UPDATE account_events SET about = 1', 'DELETE FROM account_events'] as $sql) {
            try {
                DB::statement($sql);
                self::fail("{$sql} went through");
            } catch (QueryException $refused) {
                self::assertStringContainsString('written once', $refused->getMessage());
            }
        }
    }

    public function test_accounts_of_the_demo_stay_as_they_are(): void
    {
        config(['app.demo' => true]);
        $this->technician->update(['email' => 'maren@demo.example']);
        $this->as($this->technician->refresh());
        $this->api('PUT', '/account/password', ['password' => self::PASSWORD, 'new_password' => 'other words of peat'])
            ->assertStatus(409)->assertJsonPath('code', 'of_the_demo');
        $this->api('POST', '/account/second-factor', ['password' => self::PASSWORD])->assertStatus(409);
        $this->reviewer->update(['email' => 'tobias@demo.example']);
        foreach (['close', 'reset'] as $what) {
            $this->api('POST', "/people/{person}/{$what}", ids: ['person' => $this->reviewer->id])
                ->assertStatus(409)->assertJsonPath('code', 'of_the_demo');
        }
    }

    public function test_a_mail_that_does_not_go_out_loses_no_address_and_tells_nothing(): void
    {
        config(['mail.default' => 'smtp', 'mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => 1]);
        self::assertNotSame('', $this->invited());
        $this->api('POST', '/password/ask', ['email' => 'fen-r@team.example'])->assertNoContent();
        $this->api('POST', '/password/ask', ['email' => 'nobody@team.example'])->assertNoContent();
    }
}
