<?php

declare(strict_types=1);

namespace Tests\Feature\Bench;

use App\Models\MethodVersion;
use App\Models\Reading;
use App\Models\TestMethod;
use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Error\CoreError;
use JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;

final class MethodsTest extends BenchTestCase
{
    public function test_the_library_can_be_taken_up_and_every_method_of_it_fits_the_schema(): void
    {
        $library = $this->api('GET', '/bench/library')->assertOk();
        self::assertCount(13, $library->json('methods'));
        foreach ($library->json('methods') as $method) {
            self::assertSame([], self::faults($method['definition']), $method['code']);
            $taken = $this->api('POST', '/methods', [
                'definition' => ['name' => "Our {$method['name']}"] + $method['definition'],
                'why' => 'Taken up.',
            ])->assertCreated();
            self::assertSame([1, "Our {$method['name']}"], [$taken->json('version'), $taken->json('name')]);
        }
        self::assertSame(14, TestMethod::query()->where('workplace', 'bench')->count());
        self::assertSame(2, $this->api('GET', '/methods')->collect()->where('analyte', 'k')->count());
    }

    /** What the core takes the schema takes too: a definition that was kept can be read by whoever has the schema. */
    public function test_whatever_the_core_takes_fits_the_schema(): void
    {
        mt_srand(23);
        $junk = [null, true, -1, 0, 1, 2.5, '', 'shake', [], ['a' => 1], 'spilled', 90, str_repeat('y', 90)];
        $taken = 0;
        $all = array_values(MethodLibrary::all());
        for ($i = 0; $i < 1500; $i++) {
            /** @var array<string, mixed> $given */
            $given = (array) json_decode((string) json_encode($all[$i % count($all)]->toArray()), true);
            $place = &$given;
            for ($depth = mt_rand(1, 5); $depth > 0 && is_array($place) && $place !== []; $depth--) {
                $place = &$place[array_rand($place)];
            }
            $place = $junk[array_rand($junk)];
            unset($place);
            if (! is_array($given)) {
                continue;
            }
            try {
                MethodDefinition::of($given);
            } catch (CoreError) {
                continue;
            }
            $taken++;
            self::assertSame([], self::faults($given), (string) json_encode($given));
        }
        self::assertGreaterThan(50, $taken);
    }

    public function test_a_revision_is_a_new_version_and_readings_keep_the_one_they_were_made_under(): void
    {
        $this->eyes();
        $kit = $this->method('kit-ph');
        $before = $this->api('GET', '/methods/{method}', ids: ['method' => $kit->id])->assertOk();
        $this->read($this->composite(), 'kit-ph', '6.0');

        $definition = $before->json('definition');
        $definition['steps'][3]['most_s'] = 600;
        unset($definition['conditions'][0]['options'][1]['breaks']);
        $after = $this->api(
            'PUT',
            '/methods/{method}',
            [
                'definition' => $definition,
                'why' => 'The leaflet says up to ten minutes, and tap water will do.',
                'follows' => 1,
            ],
            ['method' => $kit->id],
        )->assertOk();
        self::assertSame([2, [2, 1]], [$after->json('version'), array_column($after->json('versions'), 'version')]);
        $this->read($this->composite(), 'kit-ph', '6.0');
        self::assertSame(
            [1, 2],
            Reading::query()
                ->orderBy('id')
                ->get()
                ->map(
                    static fn (Reading $reading): int => MethodVersion::query()->findOrFail($reading->method_version_id)
                        ->version,
                )
                ->all(),
        );

        $id = $this->begin(
            $kit,
            [$this->portion($this->composite())],
            ['said' => ['water' => 'tap'] + self::SAID],
        )->json('id');
        $this->marks(
            $id,
            [...$this->capsule(1, settle: 500_000), $this->reads(1, '6.0', at: 540_000)],
            $this->start + 540_000,
        );
        $this->close($id);
        self::assertSame(
            [],
            Reading::query()->where('run_id', $id)->sole()->flags,
            'under the new version neither breaks anything',
        );
    }

    public function test_another_scale_is_another_test(): void
    {
        $kit = $this->method('kit-ph');
        $definition = MethodLibrary::get('capsule-ph')->toArray();
        $definition['scale']['bands'][0]['lower'] = 4.0;
        $refused = $this->api(
            'PUT',
            '/methods/{method}',
            ['definition' => ['name' => $kit->name] + $definition, 'why' => 'A wider card.', 'follows' => 1],
            ['method' => $kit->id],
        )->assertStatus(422);

        self::assertStringContainsString('makes another test', $refused->json('message'));
        self::assertSame(1, MethodVersion::query()->where('method_id', $kit->id)->count());
    }

    public function test_two_who_revise_at_once_do_not_overwrite_one_another(): void
    {
        $kit = $this->method('kit-ph');
        $revise = fn (int $follows) => $this->api(
            'PUT',
            '/methods/{method}',
            [
                'definition' => ['name' => $kit->name] + MethodLibrary::get('capsule-ph')->toArray(),
                'why' => 'Why not.',
                'follows' => $follows,
            ],
            ['method' => $kit->id],
        );
        $revise(1)->assertOk();

        self::assertStringContainsString(
            'Version 2 was set in the meantime',
            $revise(1)->assertStatus(409)->json('message'),
        );
    }

    public function test_names_are_not_given_twice(): void
    {
        $this->taken('pen-ph', 'Heron pen');
        $again = [
            'definition' => ['name' => 'Heron pen'] + MethodLibrary::get('pen-ph')->toArray(),
            'why' => 'Once more.',
        ];

        self::assertStringContainsString(
            'named Heron pen already',
            $this->api('POST', '/methods', $again)->assertStatus(409)->json('message'),
        );
        $second = $this->api('POST', '/methods', [
            'definition' => ['name' => 'Heron pen 2'] + MethodLibrary::get('pen-ph')->toArray(),
            'why' => 'Another one.',
        ])->assertCreated();
        self::assertSame('pen-ph-2', TestMethod::query()->whereKey($second->json('id'))->value('code'));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function bad(): iterable
    {
        $kit = MethodLibrary::get('capsule-ph')->toArray();
        yield 'no definition' => [['definition' => 'shake it'], 'definition', 'array'];
        yield 'a faulty one' => [['definition' => ['steps' => []] + $kit], 'definition', 'a list of 1 to 30'];
        yield 'an empty one' => [['definition' => ['x' => 1]], 'definition', 'it is missing'];
        yield 'no reason' => [['why' => ''], 'why', 'Say why'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('bad')]
    public function test_a_method_that_is_none_is_refused_in_words(array $change, string $field, string $words): void
    {
        $answer = $this->api(
            'POST',
            '/methods',
            $change + ['definition' => MethodLibrary::get('capsule-ph')->toArray(), 'why' => 'Because.'],
        )->assertStatus(422);

        self::assertStringContainsString($words, $answer->json("errors.{$field}.0"));
    }

    public function test_lots_and_links(): void
    {
        $kit = $this->method('kit-ph');
        $lot = [
            'reagent' => 'Indicator capsules',
            'lot' => 'L-77',
            'expires_on' => null,
            'price_cents' => null,
            'tests' => null,
        ];
        $this->api('POST', '/methods/{method}/lots', $lot, ['method' => $kit->id])->assertCreated();
        $this->api('POST', '/methods/{method}/lots', $lot, ['method' => $kit->id])->assertStatus(409);
        self::assertStringContainsString(
            'accepted are Indicator capsules',
            $this->api('POST', '/methods/{method}/lots', ['reagent' => 'Holy water'] + $lot, ['method' => $kit->id])
                ->assertStatus(422)
                ->json('errors.reagent.0'),
        );
        $this->api('POST', '/methods/{method}/lots', ['tests' => 0] + $lot, ['method' => $kit->id])->assertStatus(422);

        $links = [['name' => 'Capsules', 'url' => 'https://sheets.example/capsules']];
        $this->api('PUT', '/methods/{method}/links', ['links' => $links], ['method' => $kit->id])
            ->assertOk()
            ->assertJsonPath('links', $links);
        foreach (['http://sheets.example', 'javascript:alert(1)', 'sheets'] as $url) {
            $this->api(
                'PUT',
                '/methods/{method}/links',
                ['links' => [['name' => 'x', 'url' => $url]]],
                ['method' => $kit->id],
            )->assertStatus(422);
        }
        self::assertSame($links, $kit->refresh()->links);
    }

    public function test_a_test_without_a_partner_stays_untested_and_says_so(): void
    {
        $this->taken('capsule-n');
        $this->taken('jar-texture');
        $lines = $this->api('GET', '/evidence')->assertOk()->collect('rows')->keyBy('analyte');

        self::assertSame('untested', $lines['no3n']['claims']['sort']['computed']);
        self::assertStringContainsString('no partner', $lines['no3n']['untested']);
        self::assertNull($lines['ph']['untested']);
        $this->api('GET', '/evidence/{method}', ids: ['method' => $lines['no3n']['method_id']])->assertStatus(409);
        $this->actingAs($this->reviewer);
        $this->api(
            'POST',
            '/evidence/{method}/verdicts',
            [
                'claim' => 'sort',
                'hash' => str_repeat('0', 64), 'password' => 'peat',
                'follows_id' => null,
                'scope' => 'The nitrate capsules at Fen End.',
                'note' => 'Seen.',
            ],
            ['method' => $lines['no3n']['method_id']],
        )->assertStatus(409);
        $this->api('GET', '/today', query: ['site_id' => $this->bench->id])->assertOk();
    }

    public function test_readings_by_hand_are_held_against_the_scale_of_the_method(): void
    {
        $sample = $this->composite();
        [$drops, $jar, $pen] = [$this->taken('drops-k'), $this->taken('jar-texture'), $this->taken('pen-ph')];
        $hand = fn (TestMethod $method, string $typed) => $this->api(
            'POST',
            '/samples/{sample}/readings',
            [
                'method_id' => $method->id,
                'reading' => $typed,
                'read_on' => '2026-09-20',
                'reader' => 'Ada Fenwright',
                'flags' => [],
                'note' => '',
            ],
            ['sample' => $sample->id],
        );

        $hand($drops, '25')
            ->assertCreated()
            ->assertJson(['band' => 'low', 'as_reported' => '25 drops, low']);
        self::assertStringContainsString(
            'whole number',
            $hand($drops, 'many')->assertStatus(422)->json('errors.reading.0'),
        );
        $hand($pen, '6.20')
            ->assertCreated()
            ->assertJson(['value' => 6.2, 'as_reported' => '6.20']);
        self::assertStringContainsString(
            'no reading of soil',
            $hand($pen, '13')->assertStatus(422)->json('errors.reading.0'),
        );
        self::assertStringContainsString(
            'lead it as a run',
            $hand($jar, 'loam')->assertStatus(422)->json('errors.reading.0'),
        );
    }

    /**
     * @param array<string, mixed> $definition
     * @return list<string>
     */
    private static function faults(array $definition): array
    {
        $file = __DIR__.'/../../../core/data/method-schema.json';
        $validator = new Validator();
        $object = json_decode((string) json_encode($definition, JSON_PRESERVE_ZERO_FRACTION));
        $validator->validate($object, json_decode((string) file_get_contents($file)));

        return array_values(
            array_map(
                static fn (array $error): string => "{$error['property']}: {$error['message']}",
                $validator->getErrors(),
            ),
        );
    }
}
