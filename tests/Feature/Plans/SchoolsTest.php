<?php

declare(strict_types=1);

namespace Tests\Feature\Plans;

use App\Models\SchoolProfile;
use Tests\Feature\ApiTestCase;

final class SchoolsTest extends ApiTestCase
{
    private const ROW = [
        'name' => 'Turf, our way',
        'acres' => null,
        'cores' => [6, 10, 12],
        'layers' => ['0-3in'],
        'pattern' => 'w',
        'cell_acres' => null,
        'why' => 'The greenkeeper asks for more cores.',
    ];

    public function test_a_team_changes_a_school_for_itself_alone(): void
    {
        $this->api('GET', '/schools')->assertOk()->assertJsonCount(14);
        $this->put('/api/schools/turf', self::ROW, ['Accept' => 'application/json'])
            ->assertOk()
            ->assertJson(['code' => 'turf', 'cores' => [6, 10, 12], 'changed' => true]);
        $found = array_column($this->api('GET', '/schools')->json(), null, 'code');
        self::assertSame(
            ['Turf, our way', ['0-3in'], true],
            [$found['turf']['name'], $found['turf']['layers'], $found['turf']['changed']],
        );

        [$stranger] = $this->team('Moor crew', 'moor');
        $this->actingAs($stranger);
        self::assertSame('Turf', array_column($this->api('GET', '/schools')->json(), null, 'code')['turf']['name']);
    }

    public function test_bad_rows_are_refused_and_unknown_schools_are_not_there(): void
    {
        foreach (
            [
                ['cores' => [9, 6, 12]],
                ['cores' => [1, 2]],
                ['layers' => ['0-6in', '2-8in']],
                ['pattern' => 'spiral'],
                ['why' => ''],
            ] as $change
        ) {
            $this->putJson('/api/schools/turf', $change + self::ROW)->assertStatus(422);
        }
        $this->putJson('/api/schools/alchemy', self::ROW)->assertNotFound();
        self::assertSame(0, SchoolProfile::query()->count());
    }

    public function test_the_site_picks_a_school_and_hears_where_others_differ(): void
    {
        $area = $this->area();
        $lines = $this->api('GET', '/areas/{area}/schools', ids: ['area' => $area->id])->assertOk()->json();
        self::assertTrue($lines[0]['fits_use']);
        self::assertFalse($lines[13]['fits_use']);
        self::assertSame([], array_merge(...array_column($lines, 'differs')));

        $this->api('PUT', '/sites/{site}/school', ['school' => 'arable-level'], ['site' => $area->site_id])
            ->assertOk()
            ->assertJsonPath('school', 'arable-level');
        $lines = array_column(
            $this->api('GET', '/areas/{area}/schools', ids: ['area' => $area->id])->json(),
            null,
            'samples',
        );
        $all = implode(
            ' ',
            array_merge(
                ...array_column(
                    $this->api('GET', '/areas/{area}/schools', ids: ['area' => $area->id])->json(),
                    'differs',
                ),
            ),
        );
        self::assertStringContainsString('depth 0-2 in and 2-6 in instead of 0-6 in', $all);
        self::assertStringContainsString('composites instead of 1', $all);
        $this->api('PUT', '/sites/{site}/school', ['school' => 'alchemy'], ['site' => $area->site_id])->assertStatus(
            422,
        );
        $this->api('PUT', '/sites/{site}/school', ['school' => null], ['site' => $area->site_id])
            ->assertOk()
            ->assertJsonPath('school', null);
    }
}
