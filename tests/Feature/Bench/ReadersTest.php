<?php

declare(strict_types=1);

namespace Tests\Feature\Bench;

use App\Models\PracticeRound;
use App\Models\VisionRecord;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Colour\Srgb;
use HonestCore\Colour\VisionCheck;

final class ReadersTest extends BenchTestCase
{
    public function test_plates_are_drawn_judged_and_kept_with_their_date(): void
    {
        $drawn = $this->api('POST', '/vision-plates')->assertOk();
        self::assertCount(10, $drawn->json('plates'));
        self::assertSame(['dots'], array_keys($drawn->json('plates.0')), 'what a plate shows is not told');
        $right = array_map(
            static fn (array $plate): ?string => $plate['kind'] === 'none' ? null : $plate['figure'],
            VisionCheck::plates($drawn->json('seed')),
        );

        $this->api('POST', '/vision-checks', [
            'reader' => 'Ada Fenwright',
            'seed' => $drawn->json('seed'),
            'answers' => $right,
        ])
            ->assertCreated()
            ->assertJson(['passed' => true, 'right' => 10, 'taken_on' => '2026-09-20']);
        $blind = array_map(static fn (?string $figure): ?string => $figure === null ? '3' : null, $right);
        $this->api('POST', '/vision-checks', [
            'reader' => 'Bram Heather',
            'seed' => $drawn->json('seed'),
            'answers' => $blind,
        ])
            ->assertCreated()
            ->assertJson(['passed' => false]);
        self::assertSame(
            ['Bram Heather', 'Ada Fenwright'],
            $this->api('GET', '/vision-checks')->collect()->pluck('reader')->all(),
        );
        $readers = $this->api('GET', '/bench', query: ['site_id' => $this->bench->id])
            ->collect('readers')
            ->keyBy('name');
        self::assertSame(
            [true, false],
            [$readers['Ada Fenwright']['vision']['passed'], $readers['Bram Heather']['vision']['passed']],
        );
    }

    public function test_answers_that_are_none_are_refused(): void
    {
        foreach (
            [
                ['answers' => ['3']],
                ['answers' => array_fill(0, 10, 'three')],
                ['answers' => null],
                ['seed' => 0],
                ['reader' => ''],
            ] as $bad
        ) {
            $this->api(
                'POST',
                '/vision-checks',
                $bad + ['reader' => 'Ada Fenwright', 'seed' => 7, 'answers' => array_fill(0, 10, null)],
            )->assertStatus(422);
        }
        self::assertSame(0, VisionRecord::query()->count());
    }

    public function test_a_practice_round_on_the_screen_hides_what_the_tubes_are_until_they_are_read(): void
    {
        $kit = $this->method('kit-ph');
        $round = $this->api('POST', '/practice-rounds', [
            'method_id' => $kit->id,
            'reader' => 'Ada Fenwright',
            'source' => 'screen',
            'known' => [],
            'copies' => 2,
        ])->assertCreated();
        self::assertCount(14, $round->json('tubes'));
        self::assertSame([null], array_unique(array_column($round->json('tubes'), 'known')));
        $truth = PracticeRound::query()->whereKey($round->json('id'))->sole()->tubes;
        $bands = $kit->scale()->bands ?? [];
        $answers = array_map(
            static fn (array $tube): array => [
                'band' => array_values(
                    array_filter($bands, static fn ($band): bool => $band->contains((float) $tube['known'])),
                )[0]->name,
                'between' => null,
            ],
            $truth,
        );

        $read = $this->api(
            'POST',
            '/practice-rounds/{round}',
            ['answers' => $answers],
            ['round' => $round->json('id')],
        )->assertOk();
        self::assertSame([14, 14], [$read->json('score.right'), $read->json('score.tubes')]);
        self::assertLessThan(0.2, abs($read->json('score.bias')));
        self::assertEquals(array_column($truth, 'known'), array_column($read->json('tubes'), 'known'));
        $this->api(
            'POST',
            '/practice-rounds/{round}',
            ['answers' => $answers],
            ['round' => $round->json('id')],
        )->assertStatus(409);
    }

    /** A tube on the screen has the colour between the swatches beside its value, so that a good eye reads it right. */
    public function test_tubes_on_the_screen_can_be_read_by_their_colour(): void
    {
        $this->api('POST', '/practice-rounds', [
            'method_id' => $this->method('kit-ph')->id,
            'reader' => 'Ada Fenwright',
            'source' => 'screen',
            'known' => [],
            'copies' => 4,
        ])->assertCreated();
        $card = MethodLibrary::get('capsule-ph')->scale;
        $right = 0;
        $tubes = PracticeRound::query()->sole()->tubes;
        foreach ($tubes as $tube) {
            $parts = array_map(
                static fn (string $byte): float => Srgb::decode(hexdec($byte) / 255),
                str_split(substr((string) $tube['hex'], 1), 2),
            );
            $colour = Srgb::toLab([$parts[0], $parts[1], $parts[2]]);
            $far = array_map(
                static fn ($swatch): float => \HonestCore\Colour\Ciede2000::between($colour, $swatch),
                $card->colours,
            );
            asort($far);
            $right += $card->bands?->named((string) array_key_first($far))?->contains((float) $tube['known']) ? 1 : 0;
        }
        self::assertGreaterThan(0.75 * count($tubes), $right);
    }

    public function test_a_round_at_the_bench_takes_known_values(): void
    {
        $start = [
            'method_id' => $this->method('kit-ph')->id,
            'reader' => 'Ada Fenwright',
            'source' => 'bench',
            'known' => [5.2, 6.6],
            'copies' => 2,
        ];
        $round = $this->api('POST', '/practice-rounds', $start)->assertCreated();
        self::assertSame([null], array_unique(array_column($round->json('tubes'), 'hex')));
        $this->api(
            'POST',
            '/practice-rounds/{round}',
            ['answers' => array_fill(0, 3, ['band' => '6.5', 'between' => null])],
            ['round' => $round->json('id')],
        )->assertStatus(422);
        $this->api(
            'POST',
            '/practice-rounds/{round}',
            ['answers' => array_fill(0, 4, ['band' => 'green', 'between' => null])],
            ['round' => $round->json('id')],
        )->assertStatus(422);
        $this->api(
            'POST',
            '/practice-rounds/{round}',
            ['answers' => array_fill(0, 4, ['band' => '6.5', 'between' => null])],
            ['round' => $round->json('id')],
        )
            ->assertOk()
            ->assertJsonPath('score.right', 2);
        self::assertCount(1, $this->api('GET', '/practice-rounds')->json());

        $this->api('POST', '/practice-rounds', ['known' => [6.0]] + $start)->assertStatus(422);
        $this->api('POST', '/practice-rounds', ['method_id' => $this->taken('pen-ph')->id] + $start)->assertStatus(409);
        $this->api('POST', '/practice-rounds', ['method_id' => $this->method('lab-ph')->id] + $start)->assertNotFound();
    }

    public function test_a_photo_is_read_on_the_server(): void
    {
        $grey = static fn (int $r, int $g, int $b): array => array_merge(...array_fill(0, 64, [$r, $g, $b]));
        $photo = [
            'tube' => $grey(200, 90, 40),
            'white' => $grey(235, 232, 225),
            'swatches' => [
                ['name' => '4.5', 'pixels' => $grey(202, 92, 41)],
                ['name' => '7.5', 'pixels' => $grey(30, 110, 105)],
            ],
        ];
        $this->api('POST', '/colour-matches', $photo)
            ->assertOk()
            ->assertJsonPath('swatches.0.name', '4.5')
            ->assertJsonPath('safety', 'clear');

        self::assertStringContainsString(
            'white spot',
            (string) $this->api('POST', '/colour-matches', ['white' => $grey(255, 255, 255)] + $photo)
                ->assertStatus(422)
                ->json('message'),
        );
        foreach (
            [
                ['tube' => []],
                ['tube' => ['red']],
                ['tube' => [1.5, 2, 3]],
                ['swatches' => []],
                ['tube' => array_fill(0, 9000, 1)],
                ['swatches' => [['name' => 'a', 'pixels' => 'x'], ['name' => 'b', 'pixels' => [1]]]],
            ] as $bad
        ) {
            $this->api('POST', '/colour-matches', $bad + $photo)->assertStatus(422);
        }
    }

    public function test_a_jar_is_read_when_stokes_says_and_gives_a_class_with_its_doubt(): void
    {
        $jar = $this->taken('jar-texture');
        $portion = $this->portion($this->composite());
        $said = ['dispersant' => 'used', 'soil' => 'dry'];
        self::assertStringContainsString(
            'depth of its water',
            $this->begin($jar, [$portion], ['said' => $said])
                ->assertStatus(422)
                ->json('message'),
        );
        $run = $this->begin($jar, [$portion], ['said' => $said, 'depth_cm' => 10])->assertCreated();
        $aims = array_column($run->json('steps'), 'aim_s', 'code');
        self::assertEqualsWithDelta([45, 7.7 * 3600], [$aims['sand'], $aims['sand'] + $aims['silt']], 200);

        $id = $run->json('id');
        $marks = [
            $this->markOf('end', 1, 0, 'fill'),
            $this->markOf('begin', 1, 1_000, 'shake'),
            $this->markOf('end', 1, 301_000, 'shake'),
            $this->reads(1, '41', at: 301_000 + 1000 * $aims['sand'], step: 'read-sand'),
            $this->reads(1, '70', at: 301_000 + 1000 * ($aims['sand'] + $aims['silt']), step: 'read-silt'),
            $this->reads(1, '80', at: 301_000 + 1000 * ($aims['sand'] + $aims['silt'] + 86_400), step: 'read-all'),
        ];
        $this->marks($id, $marks)
            ->assertOk()
            ->assertJson(['over' => true]);
        $this->close($id)->assertOk();
        $reading = $this->api('GET', '/runs/{run}/readings', ids: ['run' => $id])->assertOk()->json('0');
        self::assertSame(['loam', []], [$reading['as_reported'], $reading['flags']]);
        self::assertEqualsWithDelta(
            [51.25, 36.25, 12.5],
            [$reading['texture']['sand'], $reading['texture']['silt'], $reading['texture']['clay']],
            1e-9,
        );
        self::assertContains('sandy loam', $reading['texture']['classes'], 'sand may be over 52 %');
        self::assertCount(12, $reading['texture']['outlines']);
    }
}
