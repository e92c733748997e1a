<?php

declare(strict_types=1);

namespace Tests\Feature\Record;

use App\Actions\Readings\RecordReading;
use App\Archive\TeamTables;
use App\Models\Photo;
use App\Models\Sample;
use App\Models\TestMethod;
use App\Models\User;
use App\Record\VerifyRecord;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Tests\Support\Command;
use ZipArchive;

/** Everything a team has goes out and comes back into other databases the same, hash for hash. */
final class TeamArchiveTest extends TestCase
{
    private const NAME = 'Quill Hollow soil crew';

    private const PICTURE = 'photos/of-a-team-that-moves';

    private string $folder;

    private string $archive;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/honest-core-teams-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->use('first');
        $this->photo();
        $this->archive = "{$this->folder}/team.zip";
        $this->ran(['team:export', self::NAME, $this->archive], 'first');
    }

    protected function tearDown(): void
    {
        Storage::disk('local')->delete(self::PICTURE);
        DB::purge();
        array_map(unlink(...), glob($this->folder.'/*') ?: []);
        rmdir($this->folder);
        parent::tearDown();
    }

    public function test_it_comes_back_into_an_empty_database_with_the_numbers_it_had(): void
    {
        $said = $this->ran(['team:import', $this->archive], 'empty');

        self::assertStringContainsString('the same as in the archive', $said);
        self::assertSame($this->ran(['record:head'], 'first'), $this->ran(['record:head'], 'empty'));
        self::assertSame($this->parts($this->archive), $this->parts($this->exported('empty', self::NAME)));
    }

    public function test_it_comes_back_beside_other_teams_under_numbers_that_are_free(): void
    {
        $refused = $this->command(['team:import', $this->archive], 'first');
        self::assertSame(1, $refused->status);
        self::assertStringContainsString('is here already; --name', $refused->error);
        $said = $this->ran(['team:import', $this->archive, '--name=Sister crew'], 'first');
        self::assertStringContainsString('maren@demo.example is in use here', $said);

        $again = $this->parts($this->exported('first', 'Sister crew'));
        self::assertSame(
            ['tables/users.jsonl'],
            array_keys(array_diff_assoc($this->parts($this->archive), $again)),
            'all but the addresses that are in use',
        );
        [$first, $second] = explode("\n", $this->ran(['record:verify'], 'first'));
        self::assertSame(substr((string) strrchr($first, ':'), 0), substr((string) strrchr($second, ':'), 0));
        self::assertStringContainsString('whole, ', $second);
    }

    public function test_a_team_that_came_from_elsewhere_works_on_and_its_verdicts_hold(): void
    {
        $this->ran(['team:import', $this->archive, '--name=Sister crew'], 'first');
        $this->use('first');
        $this->actingAs(User::query()->where('email', 'maren@demo.example')->firstOrFail());
        $before = [];
        foreach ($this->getJson('/api/verdicts.json')->assertOk()->json() as $verdict) {
            $before[$verdict['id']] = $this->getJson("/api/verdicts/{$verdict['id']}")->json('check.moved');
        }
        $user = User::query()->where('email', '1000001@no-address.invalid')->firstOrFail();
        $this->actingAs($user);
        Auth::setUser($user);
        $verdicts = $this->getJson('/api/verdicts.json')->assertOk()->json();
        self::assertNotEmpty($verdicts);
        foreach ($verdicts as $verdict) {
            self::assertGreaterThan(1_000_000, $verdict['id']);
            $shown = $this->getJson("/api/verdicts/{$verdict['id']}")->assertOk();
            $shown->assertJsonPath('check.pairs_hold', true)
                ->assertJsonPath('check.row_holds', true)
                ->assertJsonPath('check.moved', $before[$verdict['id'] - 1_000_000]);
            $this->getJson("/api/samples/{$shown->json('snapshot.0.sample_id')}")
                ->assertOk()
                ->assertJsonPath('code', $shown->json('snapshot.0.code'));
        }
        $lab = TestMethod::query()->where('code', 'lab-smp')->firstOrFail();
        $sample = Sample::query()
            ->whereHas('portions', static fn ($portions) => $portions->where('kind', 'lab'))
            ->whereDoesntHave('readings', static fn ($readings) => $readings->where('method_id', $lab->id))
            ->first();
        self::assertNotNull($sample);
        $reading = app(RecordReading::class)($sample, $lab, $user, [
            'typed' => '6.1', 'read_on' => '2026-11-20', 'reader' => 'Maren', 'flags' => [], 'note' => '', 'corrects_id' => null,
        ]);
        self::assertGreaterThan(1_000_000, $reading->id);
        self::assertNull(app(VerifyRecord::class)($user->team_id)->fault);
        $photo = Photo::query()->firstOrFail();
        self::assertSame('a picture', Storage::disk('local')->get($photo->file));
        self::assertNotNull($photo->sample_id);
        self::assertFalse(Auth::validate(['email' => $user->email, 'password' => 'soil-and-lime']), 'no password came along');
        DB::disconnect();

        $second = $this->exported('first', 'Sister crew');
        $said = $this->ran(['team:import', $second], 'empty');
        self::assertStringContainsString('the same as in the archive', $said, 'and goes on to a third place');
    }

    public function test_what_was_changed_in_the_archive_is_refused_and_nothing_is_stored(): void
    {
        $readings = $this->part('tables/readings.jsonl');
        $manifest = $this->part('manifest.json');
        $harms = [
            'is not as it was' => ['tables/readings.jsonl' => str_replace('"value":6.', '"value":5.', $readings)],
            'does not say what it said' => $this->fitting('tables/readings.jsonl', str_replace('"value":6.', '"value":5.', $readings)),
            'it is no row of sites' => $this->fitting('tables/sites.jsonl', "{\"id\":1,\"keeper\":\"me\"}\n"),
            'is neither a number nor a text' => $this->fitting(
                'tables/sites.jsonl',
                str_replace('"units":"us"', '"units":true', $this->part('tables/sites.jsonl')),
            ),
            'do not fit one another' => $this->fitting('tables/methods.jsonl', ''),
            'ends at ' => ['manifest.json' => (string) preg_replace('/"hash": "."/', '"hash": "', preg_replace(
                '/"hash": "[0-9a-f]{64}"/',
                '"hash": "'.str_repeat('0', 64).'"',
                $manifest,
            ) ?? '')],
            'Take it in with that version' => ['manifest.json' => (string) preg_replace('/2026_01_\d\d/', '2031_01_15', $manifest)],
            'holds no manifest' => ['manifest.json' => '[]]'],
            'cannot be read' => ['manifest.json' => str_replace('honest-core-team', 'another-format', $manifest)],
            'is of no table' => [
                'tables/secrets.jsonl' => '',
                'manifest.json' => str_replace(
                    '"parts": [',
                    '"parts": [{"name": "tables/secrets.jsonl", "sha256": "'.hash('sha256', '').'"},',
                    $manifest,
                ),
            ],
            'is no name of a part' => ['manifest.json' => str_replace('tables/sites.jsonl', 'tables/../sites', $manifest)],
        ];
        foreach ($harms as $words => $parts) {
            $bad = "{$this->folder}/bad.zip";
            copy($this->archive, $bad);
            $archive = new ZipArchive();
            $archive->open($bad);
            foreach ($parts as $name => $content) {
                $archive->addFromString($name, $content);
            }
            $archive->close();
            $run = $this->command(['team:import', $bad], 'empty');
            self::assertSame(1, $run->status, $words.$run->output);
            self::assertStringContainsString($words, $run->error);
            self::assertSame('', $this->ran(['record:head'], 'empty'), "{$words}: no team is there");
        }
        $there = $this->command(['team:export', '1', $this->archive], 'first');
        self::assertSame([1, true], [$there->status, str_contains($there->error, 'is there already')]);
        self::assertSame(2, $this->command(['team:export', 'No such crew', "{$this->folder}/x.zip"], 'first')->status);
    }

    public function test_a_damaged_record_goes_out_as_it_is_and_says_so(): void
    {
        DB::unprepared('DROP TRIGGER readings_no_UPDATE; UPDATE readings SET value = value + 1 WHERE value > 0');
        DB::disconnect();
        $path = "{$this->folder}/damaged.zip";
        $run = $this->command(['team:export', '1', $path], 'first');

        self::assertSame(0, $run->status);
        self::assertStringContainsString('The record is not whole', $run->error);
        self::assertSame(0, $this->command(['team:import', $path], 'empty')->status);
        self::assertStringContainsString('altered', $this->command(['record:verify'], 'empty')->output);
    }

    public function test_every_column_that_numbers_a_row_is_known_as_one(): void
    {
        foreach (TeamTables::of(DB::connection())->columns as $table => $columns) {
            foreach ($columns as $column) {
                $named = preg_match('/(^id|_id|^(created|signed|answered|superseded|moved|ended)_by|_ids)$/', $column->name) === 1;
                self::assertSame(
                    $named || "{$table}.{$column->name}" === 'record_links.row',
                    $column->isNumber || $column->name === 'result_ids',
                    "{$table}.{$column->name}",
                );
            }
        }
    }

    public function test_a_person_gets_a_new_password_and_another_address(): void
    {
        $said = $this->ran(['person:password', 'maren@demo.example', '--address=maren@elsewhere.example'], 'first');
        self::assertSame(1, preg_match('/^(\S+) may sign in with: (\S{16})$/', trim($said), $new));
        $this->use('first');
        self::assertTrue(Auth::validate(['email' => $new[1] ?? '', 'password' => $new[2] ?? '']));
        foreach (['nobody@demo.example' => [], 'tobias@demo.example' => ['--address=maren@elsewhere.example']] as $who => $more) {
            self::assertSame(2, $this->command(['person:password', $who, ...$more], 'first')->status);
        }
    }

    /** The database of that name, in this process. */
    private function use(string $name): void
    {
        config(['database.connections.sqlite.database' => $this->database($name)]);
        DB::purge();
        DB::setDefaultConnection('sqlite');
    }

    /** @return string its file; a new one holds the demo where it is the first, and nothing else */
    private function database(string $name): string
    {
        static $seeded = null;
        $file = "{$this->folder}/{$name}.sqlite";
        if (! is_file($file)) {
            touch($file);
            if ($name !== 'first') {
                $this->ran(['migrate', '--force'], $name);
            } elseif ($seeded === null) {
                $this->ran(['migrate', '--seed', '--force'], $name);
                $seeded = (string) file_get_contents($file);
            } else {
                file_put_contents($file, $seeded);
            }
        }

        return $file;
    }

    private function photo(): void
    {
        $sample = DB::table('samples')->orderByDesc('id')->first();
        Storage::disk('local')->put(self::PICTURE, 'a picture');
        DB::table('photos')->insert([
            'team_id' => $sample->team_id ?? 0,
            'sample_id' => $sample->id ?? 0,
            'created_by' => 1,
            'file' => self::PICTURE,
            'type' => 'image/png',
            'sha256' => hash('sha256', 'a picture'),
        ]);
        DB::disconnect();
    }

    /** @param list<string> $command */
    private function command(array $command, string $database): Command
    {
        return Command::run($command, '', [
            'DB_DATABASE' => $this->database($database),
            'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)),
        ]);
    }

    /** @param list<string> $command */
    private function ran(array $command, string $database): string
    {
        $run = $this->command($command, $database);
        self::assertSame(0, $run->status, $run->output.$run->error);

        return $run->output;
    }

    private function exported(string $database, string $team): string
    {
        $path = "{$this->folder}/".bin2hex(random_bytes(4)).'.zip';
        $this->ran(['team:export', $team, $path], $database);

        return $path;
    }

    /** @return array<string, string> hash of every part but what the manifest says of the day */
    private function parts(string $path): array
    {
        $archive = new ZipArchive();
        $archive->open($path);
        $parts = [];
        for ($i = 0; $i < $archive->numFiles; $i++) {
            $parts[(string) $archive->getNameIndex($i)] = hash('sha256', (string) $archive->getFromIndex($i));
        }
        unset($parts['manifest.json']);

        return $parts;
    }

    private function part(string $name): string
    {
        $archive = new ZipArchive();
        $archive->open($this->archive);

        return (string) $archive->getFromName($name);
    }

    /** @return array<string, string> a part with other content, and a manifest that names it so */
    private function fitting(string $name, string $content): array
    {
        return [
            $name => $content,
            'manifest.json' => str_replace(
                hash('sha256', $this->part($name)),
                hash('sha256', $content),
                $this->part('manifest.json'),
            ),
        ];
    }
}
