<?php

declare(strict_types=1);

namespace Tests\Feature\Areas;

use App\Models\Area;
use App\Models\Site;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;

final class AreasTest extends ApiTestCase
{
    private const FIELDS = [
        'name' => 'Sedge meadow by the dyke',
        'use' => 'pasture',
        'history' => 'Limed in 2019.',
        'boundary' => self::SQUARE,
    ];

    public function test_a_site_is_added_and_listed(): void
    {
        $input = [
            'name' => 'Fen End',
            'letters' => 'FN',
            'address' => '1 Dyke',
            'timezone' => 'Europe/London',
            'units' => 'metric',
            'latitude' => 52.4,
            'longitude' => 0.2,
        ];

        $this->api('POST', '/sites', $input)->assertCreated();
        $this->api('GET', '/sites')->assertOk()->assertJsonPath('0.name', 'Fen End');
        $this->api('POST', '/sites', $input)
            ->assertStatus(422)
            ->assertJsonPath('errors.letters.0', 'Another site of this team has these letters.');
        $this->api('POST', '/sites', ['letters' => 'f', 'timezone' => 'Mars', 'latitude' => null] + $input)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['letters', 'timezone', 'latitude']);
        self::assertSame(1, Site::query()->count());
    }

    public function test_an_area_is_stored_with_its_geodesic_extent(): void
    {
        $site = $this->site();
        $area = $this->api('POST', '/sites/{site}/areas', self::FIELDS, ['site' => $site->id])->assertCreated();

        self::assertEqualsWithDelta(163.3 * 166.6, $area->json('area_m2'), 100);
        self::assertEqualsWithDelta($area->json('area_m2') / 4046.8564224, $area->json('area_acres'), 1e-9);
        $this->api('GET', '/sites/{site}', ids: ['site' => $site->id])
            ->assertOk()
            ->assertJsonPath('areas.0.history', 'Limed in 2019.')
            ->assertJsonPath('areas.0.plan_id', null);
    }

    public function test_a_name_that_will_be_lost_is_questioned_and_may_be_kept_on_purpose(): void
    {
        $site = $this->site();
        foreach (['1', 'field 1'] as $name) {
            $this->api('POST', '/sites/{site}/areas', ['name' => $name] + self::FIELDS, ['site' => $site->id])
                ->assertStatus(422)
                ->assertJsonValidationErrors('name');
        }
        self::assertSame(0, Area::query()->count());
        $this->api('POST', '/sites/{site}/areas', ['name' => 'field 1', 'keep_name' => true] + self::FIELDS, [
            'site' => $site->id,
        ])->assertCreated();
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function refused(): iterable
    {
        yield 'a bow tie' => [['boundary' => self::BOW_TIE], 'message', 'crosses itself'];
        yield 'no boundary' => [['boundary' => null], 'errors.boundary.0', 'Draw the boundary'];
        yield 'a point' => [
            ['boundary' => ['type' => 'Point', 'coordinates' => [1, 2]]],
            'message',
            'a Polygon or MultiPolygon',
        ];
        yield 'nonsense' => [['boundary' => ['type' => 'Polygon', 'coordinates' => 'x']], 'message', 'accepted is'];
        yield 'no such use' => [['use' => 'car park'], 'errors.use.0', 'Choose a use'];
        yield 'no name' => [['name' => '  '], 'errors.name.0', 'Give it a name'];
        yield 'a name too long' => [['name' => str_repeat('x', 81)], 'errors.name.0', '80'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('refused')]
    public function test_it_is_refused_with_the_reason_and_nothing_is_stored(
        array $change,
        string $where,
        string $words,
    ): void {
        $site = $this->site();
        $response = $this->api('POST', '/sites/{site}/areas', $change + self::FIELDS, [
            'site' => $site->id,
        ])->assertStatus(422);

        self::assertStringContainsString($words, (string) $response->json($where));
        self::assertSame(0, Area::query()->count());
    }

    public function test_an_area_is_changed_and_keeps_its_own_name(): void
    {
        $area = $this->area();
        $this->area($area->site, name: 'Rush corner');

        $this->api('PUT', '/areas/{area}', ['name' => $area->name, 'history' => 'Marled in 1990.'] + self::FIELDS, [
            'area' => $area->id,
        ])
            ->assertOk()
            ->assertJsonPath('history', 'Marled in 1990.');
        $this->api('PUT', '/areas/{area}', ['name' => 'Rush corner'] + self::FIELDS, ['area' => $area->id])
            ->assertStatus(422)
            ->assertJsonPath('errors.name.0', 'This site has an area of this name already.');
    }

    public function test_a_polygon_is_measured_while_it_is_drawn(): void
    {
        $this->api('POST', '/boundaries/measure', ['boundary' => self::SQUARE])
            ->assertOk()
            ->assertJsonPath('area_ha', static fn (float $ha): bool => abs($ha - 2.72) < 0.02);
        $this->api('POST', '/boundaries/measure', ['boundary' => self::BOW_TIE])
            ->assertStatus(422)
            ->assertJsonPath('code', 'bad_boundary');
    }

    public function test_a_file_is_taken_apart_and_stored_whole_or_not_at_all(): void
    {
        $site = $this->site();
        $file = json_encode([
            'type' => 'FeatureCollection',
            'features' => [
                [
                    'type' => 'Feature',
                    'properties' => ['name' => 'Heron wet', 'use' => 'pasture', 'history' => 'Never ploughed.'],
                    'geometry' => self::SQUARE,
                ],
                ['type' => 'Feature', 'properties' => ['name' => '7', 'use' => 'moat'], 'geometry' => self::SQUARE],
            ],
        ]);
        $found = $this->api('POST', '/boundaries/read', ['text' => $file])
            ->assertOk()
            ->json('areas');

        self::assertSame(
            ['Heron wet', 'pasture', null],
            [$found[0]['name'], $found[0]['use'], $found[0]['name_question']],
        );
        self::assertNull($found[1]['use']);
        self::assertNotNull($found[1]['name_question']);
        $areas = array_map(
            static fn (array $one): array => [
                'name' => $one['name'],
                'use' => $one['use'] ?? 'lawn',
                'history' => $one['history'],
                'boundary' => $one['boundary'],
            ],
            $found,
        );
        $this->api('POST', '/sites/{site}/areas/batch', ['areas' => $areas], ['site' => $site->id])
            ->assertStatus(422)
            ->assertJsonValidationErrors('areas.1.name');
        self::assertSame(0, Area::query()->count());
        $areas[1]['keep_name'] = true;
        $areas[1]['boundary'] = self::BOW_TIE;
        $this->api('POST', '/sites/{site}/areas/batch', ['areas' => $areas], ['site' => $site->id])->assertStatus(422);
        self::assertSame(0, Area::query()->count(), 'the good one is not half stored');
        $areas[1]['boundary'] = self::SQUARE;
        $this->api('POST', '/sites/{site}/areas/batch', ['areas' => $areas], ['site' => $site->id])->assertCreated();
        self::assertSame(2, Area::query()->count());
    }

    public function test_one_bad_feature_does_not_refuse_the_others_and_is_named(): void
    {
        $file = json_encode([
            'type' => 'FeatureCollection',
            'features' => [
                ['type' => 'Feature', 'properties' => [], 'geometry' => self::SQUARE],
                ['type' => 'Feature', 'properties' => [], 'geometry' => self::BOW_TIE],
            ],
        ]);

        $read = $this->api('POST', '/boundaries/read', ['text' => $file])
            ->assertOk()
            ->assertJsonCount(1, 'areas')
            ->assertJsonPath('passed_over.0.place', 'feature 2');
        self::assertStringContainsString('crosses itself', $read->json('passed_over.0.why'));
        $alone = json_encode(['type' => 'Feature', 'properties' => [], 'geometry' => self::BOW_TIE]);
        $this->api('POST', '/boundaries/read', ['text' => $alone])
            ->assertStatus(422)
            ->assertJsonPath('message', static fn (string $words): bool => str_contains($words, 'crosses itself'));
        $this->api('POST', '/boundaries/read', ['text' => 'PK..'])
            ->assertStatus(422)
            ->assertJsonPath('message', static fn (string $words): bool => str_contains($words, 'it is a zipped file'));
    }

    public function test_landmarks_come_and_go(): void
    {
        $site = $this->site();
        $road = [
            'name' => 'Mill Lane, gravel',
            'geometry' => ['type' => 'LineString', 'coordinates' => [[-76.283, 42.913], [-76.283, 42.917]]],
            'distance_m' => 91.44,
        ];
        $id = $this->api('POST', '/sites/{site}/landmarks', $road, ['site' => $site->id])
            ->assertCreated()
            ->json('id');

        $this->api('POST', '/sites/{site}/landmarks', ['distance_m' => -1] + $road, ['site' => $site->id])
            ->assertStatus(422)
            ->assertJsonValidationErrors('distance_m');
        $this->api(
            'POST',
            '/sites/{site}/landmarks',
            ['geometry' => ['type' => 'LineString', 'coordinates' => [[-76.283, 42.913]]]] + $road,
            ['site' => $site->id],
        )->assertStatus(422);
        $this->api('DELETE', '/landmarks/{landmark}', ids: ['landmark' => $id])->assertNoContent();
        $this->api('GET', '/sites/{site}', ids: ['site' => $site->id])->assertJsonPath('landmarks', []);
    }
}
