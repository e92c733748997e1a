<?php

declare(strict_types=1);

namespace App\Archive;

use App\Backup\BackupDatabase;
use App\Backup\BadBackup;
use App\Backup\KeptFiles;
use App\Backup\UnpackedParts;
use App\Backup\Version;
use App\Database\Values;
use App\Models\Team;
use App\Record\VerifyRecord;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use ZipArchive;

/** Everything a team has as one open archive: a table a file of JSON lines, its pictures and papers, and a schema. */
final class ExportTeam
{
    private const READ_ME = <<<'TEXT'
        Everything a team has in Honest Core. tables/ holds a file a table, one row a line, as JSON; schema.json says what
        may stand in them; files/ holds the pictures and papers that the rows name. manifest.json holds the SHA-256 of
        each part and the head of the team's chain. Passwords are not in it. docs/archive.md describes it;
        `php artisan team:import` takes it into another database.

        TEXT;

    public function __construct(private readonly VerifyRecord $verify) {}

    /** @param (\Closure(int, int, string): void)|null $tell how many of how many parts are done, and which is next */
    public function __invoke(Team $team, string $path, ?\Closure $tell = null): TeamManifest
    {
        $tell ??= static function (): void {};
        $folder = dirname($path);
        if (! is_dir($folder) || ! is_writable($folder)) {
            throw new BadBackup("{$folder} cannot be written to.");
        }
        if (file_exists($path)) {
            throw new BadBackup("{$path} is there already, and stays as it is.");
        }
        $work = "{$folder}/.team-".bin2hex(random_bytes(6));
        File::ensureDirectoryExists("{$work}/tables", 0700);
        try {
            DB::statement('VACUUM INTO ?', ["{$work}/copy.sqlite"]);
            $manifest = BackupDatabase::within(
                "{$work}/copy.sqlite",
                fn (Connection $copy): TeamManifest => $this->pack($copy, $team, $work, $tell),
            );
            if (! rename("{$work}/archive.zip", $path)) {
                throw new BadBackup("{$path} cannot be written.");
            }

            return $manifest;
        } finally {
            File::deleteDirectory($work);
        }
    }

    /** @param \Closure(int, int, string): void $tell */
    private function pack(Connection $copy, Team $team, string $work, \Closure $tell): TeamManifest
    {
        $archive = new ZipArchive();
        if ($archive->open("{$work}/archive.zip", ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new BadBackup("{$work} cannot be written to.");
        }
        $tables = TeamTables::of($copy);
        $parts = [];
        $of = count($tables->columns) + 2;
        foreach ($tables->columns as $table => $columns) {
            $tell(count($parts), $of, strtr($table, '_', ' '));
            $this->lines($copy, $team, $table, $columns, "{$work}/tables/{$table}.jsonl");
            $parts["tables/{$table}.jsonl"] = "{$work}/tables/{$table}.jsonl";
        }
        file_put_contents("{$work}/schema.json", self::json($tables->schema()));
        $parts['schema.json'] = "{$work}/schema.json";
        $disk = Storage::disk('local');
        $tell($of - 2, $of, 'pictures and papers');
        foreach (KeptFiles::namedBy($copy, $team->id) as $name) {
            $parts["files/{$name}"] = $disk->exists($name)
                ? $disk->path($name)
                : throw new BadBackup("The file {$name} is named by the record and is not there.");
        }
        foreach ($parts as $name => $file) {
            $archive->addFile($file, $name);
        }
        $tell($of - 1, $of, 'the chain of the record');
        $found = ($this->verify)($team->id);
        $manifest = new TeamManifest(
            $team->name,
            now()->utc()->toIso8601ZuluString(),
            Version::running(),
            Version::lastMigration($copy),
            $found->head,
            $found->fault->words ?? '',
            array_map(static fn (string $file): string => (string) hash_file('sha256', $file), $parts),
        );
        $archive->addFromString(UnpackedParts::MANIFEST, self::json($manifest->toRow()));
        $archive->addFromString('READ-ME.txt', self::READ_ME);

        return $archive->close() ? $manifest : throw new BadBackup('The archive cannot be written; is the disk full?');
    }

    /** @param list<TeamColumn> $columns */
    private function lines(Connection $copy, Team $team, string $table, array $columns, string $path): void
    {
        $file = fopen($path, 'wb');
        $rows = $copy->table($table)->where('team_id', $team->id)->orderBy('id')->select(array_column($columns, 'name'));
        foreach ($rows->cursor() as $row) {
            $line = [];
            foreach ($columns as $column) {
                $line[$column->name] = $column->moved(self::plain($row->{$column->name}), -$team->numbers_from);
            }
            $line = array_map(
                static fn (mixed $value): mixed => is_string($value) && ! mb_check_encoding($value, 'UTF-8')
                    ? ['base64' => base64_encode($value)]
                    : $value,
                $line,
            );
            $text = json_encode(
                $line,
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
            );
            if ($file === false || fwrite($file, "{$text}\n") === false) {
                throw new BadBackup("{$path} cannot be written; is the disk full?");
            }
        }
        if ($file === false || ! fclose($file)) {
            throw new BadBackup("{$path} cannot be written; is the disk full?");
        }
    }

    private static function plain(mixed $value): string|int|float|null
    {
        return is_int($value) || is_float($value) || $value === null ? $value : Values::text($value);
    }

    /** @param array<string, mixed> $of */
    private static function json(array $of): string
    {
        return json_encode($of, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n";
    }
}
