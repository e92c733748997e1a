<?php

declare(strict_types=1);

namespace Tests\Feature\Teams;

use App\Archive\ArchiveDesk;
use App\Models\Sample;
use App\Models\Team;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;
use Tests\Support\ApiDocument;
use ZipArchive;

/** A team goes out of a page as one archive, and in again as a team of its own; the demo begins anew. */
final class ArchivesTest extends ApiTestCase
{
    private const NAME = 'abcdef0123456789abcdef0123456789';

    protected function setUp(): void
    {
        RefreshDatabaseState::$migrated = false;
        parent::setUp();
        Storage::fake('local');
        $this->technician->update(['administers' => true]);
    }

    /** A copy of the database is taken for an archive, which nothing does within a transaction. */
    /** @return list<string> */
    protected function connectionsToTransact(): array
    {
        return [];
    }

    protected function tearDown(): void
    {
        RefreshDatabaseState::$migrated = false;
        File::deleteDirectory(storage_path('app/archives'));
        parent::tearDown();
    }

    /**
     * @param array<string, mixed> $body
     * @return list<array<string, mixed>>
     */
    private function lines(string $path, string $documented, array $body = []): array
    {
        $answer = $this->json('POST', "/api{$path}", $body)->assertOk();
        $text = $answer->streamedContent();
        $lines = [];
        foreach (array_filter(explode("\n", $text)) as $line) {
            ApiDocument::assertMatches('POST', $documented, 200, $line, 'application/x-ndjson');
            $lines[] = (array) json_decode($line, true, flags: JSON_THROW_ON_ERROR);
        }

        return $lines;
    }

    /** The bytes of the archive that the team writes of itself. */
    private function written(): string
    {
        $lines = $this->lines('/archive', '/archive');
        $last = end($lines);
        self::assertIsArray($last);
        self::assertSame('', $last['fault'] ?? null);
        self::assertGreaterThan(20, count($lines), 'it says how far it is');
        self::assertSame([0, count($lines) - 1], [$lines[0]['done'] ?? null, $lines[0]['of'] ?? null]);
        $got = $this->get("/api/archive/{$last['ready']}")->assertOk();
        self::assertSame('attachment; filename=fen-crew-'.now()->format('Y-m-d').'.zip', $got->headers->get('content-disposition'));
        $file = $got->baseResponse;
        self::assertInstanceOf(\Symfony\Component\HttpFoundation\BinaryFileResponse::class, $file);

        return (string) file_get_contents($file->getFile()->getPathname());
    }

    /** @return TestResponse<Response> */
    private function piece(string $bytes, int $offset): TestResponse
    {
        return $this->post(
            '/api/archive/'.self::NAME.'/pieces',
            ['offset' => $offset, 'piece' => UploadedFile::fake()->createWithContent('piece', $bytes)],
            ['Accept' => 'application/json'],
        );
    }

    public function test_a_team_goes_out_and_comes_in_again_with_all_of_its_record(): void
    {
        $sample = $this->sample();
        $bytes = $this->written();
        $half = intdiv(strlen($bytes), 2);
        $this->piece(substr($bytes, 0, $half), 0)->assertOk()->assertJson(['size' => $half]);
        self::assertSame('archive_piece', $this->piece('again', 0)->assertStatus(409)->json('code'));
        $this->piece(substr($bytes, $half), $half)->assertOk()->assertJson(['size' => strlen($bytes)]);

        $body = ['team' => 'Fen crew, once more', 'email' => 'rue@fen.example'];
        $lines = $this->lines('/archive/'.self::NAME.'/take', '/archive/{name}/take', $body);
        $last = end($lines);
        self::assertIsArray($last);
        self::assertSame('Fen crew, once more', $last['team']);
        self::assertIsArray($last['without']);
        self::assertEqualsCanonicalizing(['fen-r@team.example', 'fen-t@team.example'], $last['without']);
        self::assertGreaterThan(20, count($lines));
        $team = Team::query()->where('name', 'Fen crew, once more')->firstOrFail();
        self::assertSame(
            [$sample->code],
            Sample::query()->withoutGlobalScopes()->where('team_id', $team->id)->pluck('code')->all(),
        );

        $this->flushSession();
        $this->app['auth']->forgetGuards();
        $come = ['name' => 'Rue Sallow', 'new_password' => 'four words of peat'];
        self::assertIsString($last['address']);
        $this->postJson('/api/invitations/'.basename($last['address']), $come)->assertSuccessful();
        $rue = User::query()->where('email', 'rue@fen.example')->firstOrFail();
        self::assertSame([$team->id, true], [$rue->team_id, $rue->administers]);
    }

    public function test_what_is_no_archive_is_refused_in_words_and_nothing_is_stored(): void
    {
        $this->piece('no zip at all', 0)->assertOk();
        $lines = $this->lines('/archive/'.self::NAME.'/take', '/archive/{name}/take', ['team' => null, 'email' => 'rue@fen.example']);
        self::assertCount(1, $lines);
        self::assertSame('It is no team archive that can be read.', $lines[0]['refused'] ?? null);
        self::assertSame(1, Team::query()->count());
        self::assertNull(User::byAddress('rue@fen.example'));
        $this->postJson('/api/archive/'.self::NAME.'/take', ['team' => null, 'email' => 'rue@fen.example'])->assertNotFound();
    }

    public function test_a_team_of_the_same_name_and_an_address_in_use_are_refused(): void
    {
        $bytes = $this->written();
        $this->piece($bytes, 0)->assertOk();
        $this->postJson('/api/archive/'.self::NAME.'/take', ['team' => null, 'email' => 'fen-r@team.example'])
            ->assertStatus(422)->assertJsonValidationErrorFor('email');
        $lines = $this->lines('/archive/'.self::NAME.'/take', '/archive/{name}/take', ['team' => null, 'email' => 'rue@fen.example']);
        self::assertStringContainsString('is here already', (string) ($lines[0]['refused'] ?? ''));
    }

    public function test_only_who_administers_takes_a_team_out_and_only_their_own(): void
    {
        $lines = $this->lines('/archive', '/archive');
        $name = (string) (end($lines)['ready'] ?? '');
        self::assertMatchesRegularExpression('/^'.ArchiveDesk::NAME.'$/', $name);
        [$stranger] = $this->team('Moor crew', 'moor');
        $stranger->update(['administers' => true]);
        $this->flushSession();
        $this->actingAs($stranger);
        $this->get("/api/archive/{$name}")->assertNotFound();
        $this->flushSession();
        $this->actingAs($this->reviewer);
        $this->postJson('/api/archive')->assertForbidden();
        $this->get("/api/archive/{$name}")->assertForbidden();
        $this->postJson('/api/demo/reset')->assertForbidden();
    }

    public function test_an_archive_is_one_that_the_command_knows(): void
    {
        $path = storage_path('app/archives/known.zip');
        $bytes = $this->written();
        file_put_contents($path, $bytes);
        $zip = new ZipArchive();
        self::assertTrue($zip->open($path));
        self::assertNotFalse($zip->locateName('manifest.json'));
        self::assertNotFalse($zip->locateName('tables/samples.jsonl'));
        self::assertFalse($zip->locateName('tables/record_changes.jsonl'), 'what a server notes of itself stays');
        $zip->close();
    }

    public function test_a_team_that_is_no_demo_cannot_be_begun_anew(): void
    {
        $this->postJson('/api/demo/reset')->assertNotFound();
    }
}
