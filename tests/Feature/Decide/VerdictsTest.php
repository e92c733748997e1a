<?php

declare(strict_types=1);

namespace Tests\Feature\Decide;

use App\Models\JudgingPolicy;
use App\Models\SignedVerdict;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;

final class VerdictsTest extends ApiTestCase
{
    public function test_a_reviewer_signs_what_the_evidence_gives(): void
    {
        $this->provenKit($this->area());
        $this->actingAs($this->reviewer);
        $signed = $this->sign($this->hash())->assertCreated();

        self::assertSame(
            ['stands', 1, 'Bram Heather', null],
            [
                $signed->json('verdict'),
                $signed->json('policy_version'),
                $signed->json('signed_by'),
                $signed->json('follows_id'),
            ],
        );
        self::assertEquals(
            [
                'test_from' => 5.0, 'test_to' => 7.5, 'reference_from' => 5.02, 'reference_to' => 7.55,
                'lots' => ['L-1'], 'seasons' => [2026], 'records' => false,
            ],
            array_diff_key($signed->json('scope'), ['text' => 0, 'lot' => 0]),
        );
        self::assertSame(15, $signed->json('evidence.claim.agree'));
        $this->api('GET', '/verdicts/{verdict}', ids: ['verdict' => $signed->json('id')])
            ->assertOk()
            ->assertJsonPath('note', 'Seen.');
    }

    public function test_a_technician_may_not_sign(): void
    {
        $this->pair($this->area(), '5.5', '5.6');

        $this->sign($this->hash())->assertForbidden();
        self::assertSame(0, SignedVerdict::query()->count());
    }

    public function test_signed_it_cannot_be_changed_by_any_road(): void
    {
        $this->pair($this->area(), '5.5', '5.6');
        $this->actingAs($this->reviewer);
        $id = $this->sign($this->hash())->json('id');

        foreach (['PUT', 'PATCH', 'DELETE'] as $method) {
            $this->json($method, "/api/verdicts/{$id}")->assertStatus(405);
        }
        foreach (
            [
                "UPDATE verdicts SET verdict = 'stands'",
                'DELETE FROM verdicts',
                "UPDATE judging_policies SET terms = '{}'",
                'DELETE FROM judging_policies',
            ] as $sql
        ) {
            try {
                DB::statement($sql);
                self::fail("{$sql} went through");
            } catch (QueryException $error) {
                self::assertStringContainsString('are written once', $error->getMessage());
            }
        }
        self::assertFalse($this->reviewer->can('update', SignedVerdict::query()->firstOrFail()));
        self::assertFalse($this->reviewer->can('delete', SignedVerdict::query()->firstOrFail()));
    }

    public function test_it_is_only_followed_by_a_new_one(): void
    {
        $area = $this->area();
        $this->pair($area, '5.5', '5.6');
        $this->actingAs($this->reviewer);
        $first = $this->sign($this->hash())->json('id');
        $this->pair($area, '6.5', '6.6');
        $moved = $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id]);
        self::assertTrue($moved->json('claims.sort.moved'));

        $this->sign($this->hash(), follows: null)->assertStatus(409);
        $second = $this->sign($this->hash(), follows: $first)->assertCreated();

        self::assertSame($first, $second->json('follows_id'));
        $this->api('GET', '/verdicts')
            ->assertJsonPath('rows.0.followed_by', null)
            ->assertJsonPath('rows.1.followed_by', $second->json('id'));
        $this->sign($this->hash(), follows: $first)->assertStatus(409);
        self::assertSame(2, SignedVerdict::query()->count());
    }

    public function test_evidence_that_changed_since_it_was_opened_is_not_signed_blindly(): void
    {
        $area = $this->area();
        $this->pair($area, '5.5', '5.6');
        $hash = $this->hash();
        $this->pair($area, '5.5', '6.9');
        $this->actingAs($this->reviewer);

        $this->sign($hash)->assertStatus(409)->assertJsonPath('code', 'evidence_moved');
    }

    public function test_a_verdict_says_where_it_holds(): void
    {
        $this->pair($this->area(), '5.5', '5.6');
        $this->actingAs($this->reviewer);

        $this->sign($this->hash(), ['scope' => ''])
            ->assertStatus(422)
            ->assertJsonValidationErrors('scope');
        $this->sign($this->hash(), ['claim' => 'please'])
            ->assertStatus(422)
            ->assertJsonValidationErrors('claim');
    }

    public function test_a_changed_policy_is_a_new_version_and_old_verdicts_keep_theirs(): void
    {
        $this->provenKit($this->area());
        $this->actingAs($this->reviewer);
        $old = $this->sign($this->hash())->json('id');
        $policy = $this->api('GET', '/policies')->json('0.terms');
        $input = [
            'analyte' => 'ph',
            'required' => 0.9,
            'confidence' => 0.95,
            'allowable' => 0.3,
            'change' => 0.5,
            'crops' => $policy['crops'],
            'reason' => 'The co-op asks for nine in ten.',
        ];
        $this->api('POST', '/policies', $input)
            ->assertCreated()
            ->assertJsonPath('version', 2)
            ->assertJsonPath('author', 'Bram Heather');

        $evidence = $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id]);
        self::assertSame(
            ['open', true, 2],
            [
                $evidence->json('claims.sort.computed.verdict'),
                $evidence->json('claims.sort.moved'),
                $evidence->json('policy.version'),
            ],
        );
        $this->api('GET', '/verdicts/{verdict}', ids: ['verdict' => $old])
            ->assertJsonPath('policy_version', 1)
            ->assertJsonPath('verdict', 'stands');
    }

    public function test_policies_are_checked_and_only_a_reviewer_sets_them(): void
    {
        $crops = $this->api('GET', '/policies')->json('0.terms.crops');
        $input = [
            'analyte' => 'ph',
            'required' => 0.9,
            'confidence' => 0.95,
            'allowable' => 0.3,
            'change' => 0.5,
            'crops' => $crops,
            'reason' => 'Because it must be so.',
        ];
        $this->api('POST', '/policies', $input)->assertForbidden();
        $this->actingAs($this->reviewer);
        foreach (
            [
                [['required' => 1], 'required'],
                [['allowable' => 0], 'allowable'],
                [['reason' => 'so'], 'reason'],
                [['analyte' => 'gold'], 'analyte'],
                [['crops' => ['lawn' => [6]]], 'crops.lawn'],
            ] as [$change, $field]
        ) {
            $this->api('POST', '/policies', $change + $input)
                ->assertStatus(422)
                ->assertJsonValidationErrors($field);
        }
        $this->api('POST', '/policies', ['crops' => ['lawn' => [7.5, 6.0]] + $crops] + $input)
            ->assertStatus(422)
            ->assertJsonPath('message', static fn (string $words): bool => str_contains($words, 'must ascend'));

        self::assertSame(1, JudgingPolicy::query()->where('analyte', 'ph')->count());
    }

    private function hash(): string
    {
        return (string) $this->api('GET', '/evidence/{method}', ids: ['method' => $this->method('kit-ph')->id])->json(
            'hash',
        );
    }

    /**
     * @param array<string, mixed> $change
     * @return TestResponse<Response>
     */
    private function sign(string $hash, array $change = [], ?int $follows = null): TestResponse
    {
        return $this->api(
            'POST',
            '/evidence/{method}/verdicts',
            $change + [
                'claim' => 'sort',
                'hash' => $hash, 'password' => 'peat',
                'follows_id' => $follows,
                'scope' => 'Loam capsule kit at Fen End.',
                'note' => 'Seen.',
            ],
            ['method' => $this->method('kit-ph')->id],
        );
    }
}
