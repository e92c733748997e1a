<?php

declare(strict_types=1);

namespace Tests\Feature\Evidence;

use App\Models\Glimpse;
use App\Models\JudgingPolicy;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\User;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;

/** What was on screen before a reading was made makes it one that is not blind. */
final class BlindReadingTest extends ApiTestCase
{
    private Sample $sample;

    private User $other;

    protected function setUp(): void
    {
        parent::setUp();
        $this->sample = $this->sample($this->area());
        $this->other = User::query()->create([
            'name' => 'Cora Sedge',
            'email' => 'cora@team.example',
            'password' => 'peat',
            'role' => User::TECHNICIAN,
            'team_id' => $this->technician->team_id,
        ]);
    }

    public function test_whoever_brought_the_result_in_knows_it_and_a_colleague_does_not(): void
    {
        $this->labFinds('6.10');

        self::assertTrue($this->reads('5.5', $this->technician)->seenBefore());
        self::assertFalse($this->reads('6.0', $this->other)->seenBefore());
        self::assertNull(Reading::query()->where('value', 6.1)->firstOrFail()->seenBefore(), 'a lab reads no lab');
    }

    public function test_before_the_lab_has_found_anything_every_reading_is_blind(): void
    {
        $reading = $this->reads('5.5', $this->technician);
        $this->labFinds('6.10');

        self::assertFalse($reading->refresh()->seenBefore());
    }

    public function test_a_colleague_who_reads_for_somebody_that_knows_is_not_blind(): void
    {
        $this->labFinds('6.10');

        self::assertTrue($this->reads('5.5', $this->other, $this->technician->name)->seenBefore());
    }

    /** @return iterable<string, array{string, array<string, string>, bool}> path, what of it is filled in, whether it shows the value */
    public static function pages(): iterable
    {
        yield 'the sample' => ['/samples/{sample}', [], true];
        yield 'all side by side' => ['/side-by-side?analyte=ph', [], true];
        yield 'what is put on the area' => ['/areas/{area}/recommendation', [], true];
        yield 'other amounts' => ['/areas/{area}/amounts', [], true];
        yield 'results on the map' => ['/areas/{area}/located-results', [], true];
        yield 'the list of reports' => ['/samples?site_id={site}', [], true];
        yield 'everything as a file' => ['/results.csv', [], true];
        yield 'the bench' => ['/samples?site_id={site}&results=0', [], false];
        yield 'today' => ['/today?site_id={site}', [], false];
        yield 'the ledger' => ['/ledger', [], false];
        yield 'the plans' => ['/plans?site_id={site}', [], false];
    }

    /** @param array<string, string> $with */
    #[DataProvider('pages')]
    public function test_a_page_that_shows_the_value_is_remembered_and_another_is_not(string $path, array $with, bool $shows): void
    {
        $this->labFinds('6.10');
        $this->actingAs($this->other);
        $path = strtr($path, [
            '{sample}' => (string) $this->sample->id,
            '{area}' => (string) $this->sample->area_id,
            '{site}' => (string) $this->sample->site_id,
        ]);
        $this->get("/api{$path}")->assertOk();

        self::assertSame($shows ? 1 : 0, Glimpse::query()->where('user_id', $this->other->id)->count());
        self::assertSame($shows, $this->reads('5.5', $this->other)->seenBefore());
        $this->actingAs($this->other)->get("/api{$path}")->assertOk();
        self::assertSame($shows ? 1 : 0, Glimpse::query()->where('user_id', $this->other->id)->count(), 'once');
    }

    public function test_the_pages_of_the_bench_hold_no_result_of_a_lab(): void
    {
        $this->labFinds('6.10');
        $this->reads('5.5', $this->technician);
        $list = fn (int $results) => $this->api('GET', '/samples', query: ['site_id' => $this->sample->site_id, 'results' => $results])
            ->assertOk()
            ->json('rows.0.readings');

        self::assertCount(1, $list(0));
        self::assertSame('kit-ph', $list(0)[0]['method_code']);
        self::assertCount(2, $list(1));
    }

    public function test_a_policy_that_asks_for_blind_readings_leaves_the_others_out_and_says_why(): void
    {
        foreach (range(1, 6) as $i) {
            $this->pair($this->sample->area, $i % 2 === 0 ? '5.5' : '6.5', $i % 2 === 0 ? '5.60' : '6.70');
        }
        foreach (range(1, 3) as $i) {
            $known = $this->sample($this->sample->area);
            $this->read($known, 'lab-ph', '7.40');
            $this->read($known, 'kit-ph', '7.5', on: "2026-09-1{$i}");
        }
        $evidence = fn () => $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])->assertOk();
        $before = $evidence();
        self::assertSame(
            [['read blind', 6], ['the lab\'s value was known', 3]],
            array_values(array_map(
                static fn (array $row): array => [$row['group'], $row['n']],
                array_filter($before->json('strata'), static fn (array $row): bool => $row['by'] === 'blind or not'),
            )),
        );
        self::assertCount(9, $before->json('pairs.rows'));
        $terms = [
            'analyte' => 'ph', 'required' => 0.8, 'confidence' => 0.95, 'allowable' => 0.3, 'change' => 0.5, 'crops' => [],
            'reason' => 'Only what was read blind counts.',
        ];
        $this->actingAs($this->reviewer);
        $this->api('POST', '/policies', $terms + ['blind' => true])->assertCreated();
        $this->actingAs($this->technician);
        $after = $evidence();

        self::assertCount(6, $after->json('pairs.rows'));
        self::assertCount(3, $after->json('left_out.rows'));
        foreach ($after->json('left_out.rows') as $pair) {
            self::assertSame(["read after the lab's value was known"], $pair['flags']);
        }
        $this->api('POST', '/policies', $terms)->assertForbidden();
        self::assertTrue(JudgingPolicy::newest('ph')?->terms->blind);
    }

    public function test_a_correction_says_of_the_reading_what_was_so_when_it_was_made(): void
    {
        $reading = $this->reads('5.5', $this->other);
        $this->labFinds('6.10');
        $this->actingAs($this->technician);

        self::assertFalse($reading->corrected(['note' => 'Slip of the pen.'])->seenBefore());
    }

    public function test_a_correction_in_words_keeps_it_and_one_of_the_value_is_a_reading_of_now(): void
    {
        $first = $this->reads('5.5', $this->technician);
        $this->labFinds('6.10');
        $words = $this->reads('5.5', $this->technician, corrects: $first->id);

        self::assertFalse($words->seenBefore());
        self::assertTrue($this->reads('6.0', $this->technician, corrects: $words->id)->seenBefore());
    }

    private function labFinds(string $ph): void
    {
        $this->actingAs($this->technician);
        $this->read($this->sample, 'lab-ph', $ph);
    }

    private function reads(string $band, User $who, ?string $reader = null, ?int $corrects = null): Reading
    {
        $this->travel(1)->minutes();
        $this->actingAs($who);
        $this->api('POST', '/samples/{sample}/readings', [
            'method_id' => $this->method('kit-ph')->id,
            'reading' => $band,
            'read_on' => $this->sample->pulled_on->format('Y-m-d'),
            'reader' => $reader ?? $who->name,
            'flags' => [],
            'note' => '',
            'corrects_id' => $corrects,
        ], ['sample' => $this->sample->id])->assertCreated();

        return Reading::query()->orderByDesc('id')->firstOrFail();
    }
}
