<?php

declare(strict_types=1);

namespace Tests\Feature\Record;

use PHPUnit\Framework\TestCase;
use Tests\Support\Command;
use ZipArchive;

/** A filled database goes into an archive and comes back the same, by the commands as they are run. */
final class BackupTest extends TestCase
{
    private static string $folder;

    /** @var array<string, string> */
    private static array $environment;

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir().'/honest-core-backups-'.bin2hex(random_bytes(6));
        mkdir(self::$folder);
        self::$environment = [
            'DB_DATABASE' => self::$folder.'/in-use.sqlite',
            'APP_KEY' => 'base64:'.base64_encode(random_bytes(32)),
        ];
        touch(self::$environment['DB_DATABASE']);
        self::ran(['migrate', '--seed', '--force']);
        self::ran(['backup:make', '--to='.self::$folder]);
    }

    public static function tearDownAfterClass(): void
    {
        array_map(unlink(...), glob(self::$folder.'/{,.}[!.]*', GLOB_BRACE) ?: []);
        rmdir(self::$folder);
    }

    public function test_it_is_whole_and_says_how_far_every_chain_had_come(): void
    {
        $said = self::ran(['backup:check', self::archive()]);
        $head = json_decode(self::ran(['record:head']), true);

        self::assertStringStartsWith('whole: made ', $said);
        self::assertIsArray($head);
        self::assertStringContainsString("head {$head['position']}-".substr((string) $head['hash'], 0, 12), $said);
    }

    public function test_it_comes_back_as_it_was_and_what_was_there_before_is_kept(): void
    {
        $before = self::content();
        $this->database()->exec("UPDATE sites SET name = 'Another name'; DELETE FROM landmarks");
        self::assertNotSame($before, self::content());

        $refused = Command::run(['backup:restore', self::archive()], '', self::$environment);
        self::assertSame(1, $refused->status);
        self::assertStringContainsString('--replace', $refused->error);
        $said = self::ran(['backup:restore', self::archive(), '--replace', '--to='.self::$folder]);

        self::assertSame($before, self::content());
        self::assertStringContainsString('whole, ', self::ran(['record:verify']));
        self::assertSame(1, preg_match('/lies in (\S+before-restore\S+\.zip)/', $said, $kept));
        self::assertStringStartsWith('whole: ', self::ran(['backup:check', $kept[1] ?? '']));
    }

    public function test_it_comes_back_into_an_empty_place(): void
    {
        $elsewhere = ['DB_DATABASE' => self::$folder.'/elsewhere.sqlite'] + self::$environment;
        touch($elsewhere['DB_DATABASE']);
        $run = Command::run(['backup:restore', self::archive()], '', $elsewhere);

        self::assertSame([0, ''], [$run->status, $run->error]);
        self::assertSame(self::ran(['record:head']), Command::run(['record:head'], '', $elsewhere)->output);
    }

    public function test_a_backup_that_is_not_whole_is_refused_and_changes_nothing(): void
    {
        $before = self::content();
        $bad = self::$folder.'/bad.zip';
        foreach (
            [
                'is no backup that can be read' => static fn (): int|false => file_put_contents($bad, 'no archive'),
                'can be read' => static fn (): int|false => file_put_contents(
                    $bad,
                    substr((string) file_get_contents(self::archive()), 0, 20_000),
                ),
                'is not as it was' => static fn (): bool => self::changed($bad, 'database.sqlite', 'other bytes'),
                'holds no manifest' => static fn (): bool => self::changed($bad, 'manifest.json', 'none'),
                'is no name of a part' => static fn (): bool => self::changed(
                    $bad,
                    'manifest.json',
                    (string) json_encode([
                        'made_at' => 'x', 'version' => '2', 'last_migration' => 'x', 'heads' => [],
                        'files' => [['name' => '../outside', 'sha256' => str_repeat('0', 64)]],
                    ]),
                ),
            ] as $words => $harm
        ) {
            $harm();
            foreach ([['backup:check', $bad], ['backup:restore', $bad, '--replace', '--to='.self::$folder]] as $command) {
                $run = Command::run($command, '', self::$environment);
                self::assertSame(1, $run->status, $words);
                self::assertStringContainsString($words, $run->error);
            }
        }
        self::assertSame($before, self::content());
    }

    public function test_before_an_upgrade_one_is_made_and_only_then(): void
    {
        self::assertSame('', self::ran(['backup:make', '--before-migrating', '--to='.self::$folder]));
        self::ran(['migrate:rollback', '--step=1', '--force']);
        $path = trim(self::ran(['backup:make', '--before-migrating', '--to='.self::$folder.'/']));

        self::assertFileExists($path);
        self::ran(['backup:check', $path]);
        self::ran(['migrate', '--force']);
        self::assertStringContainsString('whole, ', self::ran(['record:verify']));
    }

    private static function archive(): string
    {
        return (glob(self::$folder.'/honest-core-*.zip') ?: [''])[0];
    }

    private static function changed(string $bad, string $part, string $content): bool
    {
        copy(self::archive(), $bad);
        $archive = new ZipArchive();
        $archive->open($bad);

        return $archive->addFromString($part, $content) && $archive->close();
    }

    /** @param list<string> $command */
    private static function ran(array $command): string
    {
        $run = Command::run($command, '', self::$environment);
        self::assertSame(0, $run->status, $run->output.$run->error);

        return $run->output;
    }

    private static function database(): \PDO
    {
        return new \PDO('sqlite:'.self::$environment['DB_DATABASE']);
    }

    /** @return array<string, string> hash of every table */
    private static function content(): array
    {
        $database = self::database();
        $tables = $database->query("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name");
        self::assertNotFalse($tables);
        $content = [];
        foreach ($tables->fetchAll(\PDO::FETCH_COLUMN) as $table) {
            $rows = $database->query("SELECT * FROM \"{$table}\"");
            self::assertNotFalse($rows);
            $content[(string) $table] = hash('sha256', serialize($rows->fetchAll(\PDO::FETCH_NUM)));
        }

        return $content;
    }
}
