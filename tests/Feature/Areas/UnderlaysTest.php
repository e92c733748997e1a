<?php

declare(strict_types=1);

namespace Tests\Feature\Areas;

use App\Models\Underlay;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;
use Tests\Support\ApiDocument;
use Tests\Support\PngFile;

/** A picture of the owner's under the map. */
final class UnderlaysTest extends ApiTestCase
{
    private const KNOWN = [
        ['x' => 0, 'y' => 0, 'longitude' => -76.282, 'latitude' => 42.9155],
        ['x' => 200, 'y' => 0, 'longitude' => -76.28, 'latitude' => 42.9155],
    ];

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
    }

    public function test_a_picture_is_kept_placed_shown_and_taken_away(): void
    {
        $site = $this->site();
        $file = PngFile::of('flight of <May>.png', 200, 100);
        $made = $this->upload($site->id, $file)
            ->assertCreated()
            ->assertJsonPath('width', 200)
            ->assertJsonPath('corners', null);
        $ids = ['underlay' => $made->json('id')];

        $placed = $this->api('PUT', '/underlays/{underlay}', ['known' => self::KNOWN], $ids)->assertOk();
        self::assertEqualsWithDelta([-76.282, 42.9155], $placed->json('corners.0'), 1e-9);
        self::assertEqualsWithDelta([-76.28, 42.9155], $placed->json('corners.1'), 1e-9);
        // Half as high as wide: 81.6 m of 163.3 m, one degree of latitude being 111.07 km here.
        self::assertEqualsWithDelta(42.9155 - 0.08164 / 111.07, $placed->json('corners.2.1'), 2e-6);
        self::assertSame(
            $placed->json('corners'),
            $this->api('GET', '/sites/{site}/underlays', ids: ['site' => $site->id])->json('0.corners'),
        );

        $shown = $this->get("/api/underlays/{$ids['underlay']}/picture")
            ->assertOk()
            ->assertHeader('Content-Type', 'image/png');
        self::assertSame($file->getContent(), $shown->getContent());
        self::assertStringNotContainsString('flight', Underlay::query()->sole()->file);

        $this->api('DELETE', '/underlays/{underlay}', ids: $ids)->assertNoContent();
        self::assertSame([], Storage::disk('local')->allFiles());
        $this->getJson("/api/underlays/{$ids['underlay']}/picture")->assertNotFound();
    }

    /** @return iterable<string, array{UploadedFile|null, string}> */
    public static function notPictures(): iterable
    {
        yield 'nothing' => [null, 'Choose a picture'];
        yield 'text named as a picture' => [
            UploadedFile::fake()->createWithContent('barn.png', 'not a picture at all'),
            'accepted are PNG and JPEG',
        ];
        yield 'a drawing that can hold script' => [
            UploadedFile::fake()->createWithContent(
                'barn.svg',
                '<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>',
            ),
            'accepted are PNG and JPEG',
        ];
        yield 'tiny' => [PngFile::of('dot.png', 8, 8), '50 to 12,000 pixels'];
        yield 'only the first bytes of one' => [
            UploadedFile::fake()->createWithContent('cut.png', "\x89PNG\r\n\x1a\n\0\0\0\rIHDR"),
            'cannot be read',
        ];
        $whole = PngFile::bytes(200, 100);
        yield 'cut off within' => [
            UploadedFile::fake()->createWithContent('cut.png', substr($whole, 0, (int) (strlen($whole) * 0.6))),
            'cut off or damaged',
        ];
        yield 'a head that claims more than a phone takes' => [
            UploadedFile::fake()->createWithContent(
                'claims.png',
                substr_replace($whole, pack('NN', 11_000, 11_000), 16, 8),
            ),
            'up to 50 million pixels',
        ];
        yield 'too large' => [PngFile::of('large.png', 60, 60)->size(9000), 'larger than 8 MB'];
    }

    #[DataProvider('notPictures')]
    public function test_what_is_no_picture_is_refused_and_not_kept(?UploadedFile $file, string $words): void
    {
        $said = $this->upload($this->site()->id, $file)->assertStatus(422)->json('errors.picture');

        self::assertStringContainsString($words, implode(' ', $said));
        self::assertSame([0, []], [Underlay::query()->count(), Storage::disk('local')->allFiles()]);
    }

    public function test_more_than_the_server_takes_at_once_is_said_in_words(): void
    {
        $site = $this->site();
        $response = $this->call(
            'POST',
            "/api/sites/{$site->id}/underlays",
            server: ['CONTENT_LENGTH' => (string) 2 ** 40, 'HTTP_ACCEPT' => 'application/json'],
        )->assertStatus(413);

        ApiDocument::assertMatches('POST', '/sites/{site}/underlays', 413, (string) $response->getContent());
        self::assertStringContainsString('too large', (string) $response->json('message'));
    }

    /** @return iterable<string, array{list<array<string, mixed>>, string}> */
    public static function placesThatFixNothing(): iterable
    {
        yield 'one' => [[self::KNOWN[0]], 'Two or three known places'];
        yield 'the same twice' => [[self::KNOWN[0], self::KNOWN[0]], 'must lie apart'];
        yield 'three on a line' => [
            [...self::KNOWN, ['x' => 100, 'y' => 0, 'longitude' => -76.281, 'latitude' => 42.9155]],
            'one line',
        ];
        yield 'outside of the picture' => [[self::KNOWN[0], ['x' => 900] + self::KNOWN[1]], 'between 0 and 200'];
        yield 'longitude and latitude exchanged' => [
            [self::KNOWN[0], ['longitude' => 42.9155, 'latitude' => -76.28] + self::KNOWN[1]],
            'look at the known places again',
        ];
        yield 'words' => [[self::KNOWN[0], ['latitude' => 'north'] + self::KNOWN[1]], 'number'];
    }

    /** @param list<array<string, mixed>> $known */
    #[DataProvider('placesThatFixNothing')]
    public function test_places_that_fix_nothing_are_refused_and_the_former_ones_stay(array $known, string $words): void
    {
        $ids = ['underlay' => $this->upload($this->site()->id, PngFile::of('flight.png', 200, 100))->json('id')];
        $this->api('PUT', '/underlays/{underlay}', ['known' => self::KNOWN], $ids)->assertOk();
        $said = $this->api('PUT', '/underlays/{underlay}', ['known' => $known], $ids)->assertStatus(422);

        self::assertStringContainsString($words, (string) $said->getContent());
        self::assertEquals(self::KNOWN, Underlay::query()->sole()->known);
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function upload(int $site, ?UploadedFile $file): \Illuminate\Testing\TestResponse
    {
        $response = $this->post("/api/sites/{$site}/underlays", array_filter(['picture' => $file]), [
            'Accept' => 'application/json',
        ]);
        ApiDocument::assertMatches(
            'POST',
            '/sites/{site}/underlays',
            $response->status(),
            (string) $response->getContent(),
        );

        return $response;
    }
}
