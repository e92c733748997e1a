<?php

declare(strict_types=1);

namespace App\Archive;

use App\Backup\BadBackup;
use App\Backup\UnpackedParts;
use App\Backup\Version;
use App\Database\ManyRows;
use App\Database\Values;
use App\Models\Team;
use App\Models\User;
use App\Record\VerifyRecord;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/**
 * Takes an archive of a team into this database as a team of its own: whole or not at all, and the same, hash for hash.
 * Where its numbers are taken here, all of them are moved up by the same count, which the team keeps.
 */
final class ImportTeam
{
    private const PIECE = 500;

    private const ROUND = 1_000_000;

    /** Addresses that are in use here, of people who come without a sign-in; RFC 2606 keeps the ending free. */
    private const NO_ADDRESS = '@no-address.invalid';

    public function __construct(private readonly VerifyRecord $verify) {}

    /**
     * @param string|null $name that the team gets here; its own where that is null
     * @param (\Closure(int, int, string): void)|null $tell how many of how many parts are done, and which is next
     */
    public function __invoke(string $path, ?string $name, ?\Closure $tell = null): TakenTeam
    {
        $tell ??= static function (): void {};

        return UnpackedParts::of(
            $path,
            'team archive',
            '#^(schema\.json|tables/[a-z_]+\.jsonl|files/[A-Za-z0-9._/-]+)$#',
            TeamManifest::class,
            function (string $folder, TeamManifest $manifest) use ($name, $tell): TakenTeam {
                self::fits($manifest, $name);
                $written = self::files($folder, $manifest);
                try {
                    return $this->take($folder, $manifest, $name ?? $manifest->team, $tell);
                } catch (BadBackup|QueryException|\PDOException $refused) {
                    Storage::disk('local')->delete($written);

                    throw $refused instanceof BadBackup ? $refused : new BadBackup(
                        "The rows of the archive do not fit one another: {$refused->getMessage()} Nothing was stored.",
                        previous: $refused,
                    );
                }
            },
        );
    }

    private static function fits(TeamManifest $manifest, ?string $name): void
    {
        $here = Version::lastMigration(DB::connection());
        if ($manifest->lastMigration !== $here) {
            throw new BadBackup(
                "The archive was made by version {$manifest->version}, whose database ends with {$manifest->lastMigration}; ".
                    "this one ends with {$here}. Take it in with that version, then upgrade.",
            );
        }
        $tables = array_map(static fn (string $table): string => "tables/{$table}.jsonl", TeamTables::of(DB::connection())->names());
        $named = array_filter(array_keys($manifest->parts), static fn (string $part): bool => str_starts_with($part, 'tables/'));
        foreach (array_diff($named, $tables) as $unknown) {
            throw new BadBackup("{$unknown} is of no table that a team has here; nothing was stored.");
        }
        if (Team::query()->where('name', $name ?? $manifest->team)->exists()) {
            throw new BadBackup(
                'A team named '.($name ?? $manifest->team).' is here already; --name gives the one of the archive another name.',
            );
        }
    }

    /** @return list<string> the files that were not there before */
    private static function files(string $folder, TeamManifest $manifest): array
    {
        $disk = Storage::disk('local');
        $written = [];
        foreach ($manifest->parts as $part => $hash) {
            if (! str_starts_with($part, 'files/')) {
                continue;
            }
            $name = substr($part, strlen('files/'));
            if ($disk->exists($name)) {
                if (hash_file('sha256', $disk->path($name)) !== $hash) {
                    throw new BadBackup("A file {$name} with another content is here already; nothing was stored.");
                }

                continue;
            }
            $from = fopen("{$folder}/{$part}", 'rb');
            if ($from === false || ! $disk->writeStream($name, $from)) {
                throw new BadBackup("{$name} cannot be written; nothing of the team was stored.");
            }
            $written[] = $name;
        }

        return $written;
    }

    /** @param \Closure(int, int, string): void $tell */
    private function take(string $folder, TeamManifest $manifest, string $name, \Closure $tell): TakenTeam
    {
        DB::beginTransaction();
        try {
            $taken = $this->rowsOf($folder, $name, $tell);
            $this->same($taken->team, $manifest);
            DB::commit();

            return $taken;
        } catch (\Throwable $failed) {
            DB::rollBack();

            throw $failed;
        }
    }

    /** @param \Closure(int, int, string): void $tell */
    private function rowsOf(string $folder, string $name, \Closure $tell): TakenTeam
    {
        DB::statement('PRAGMA defer_foreign_keys = ON');
        $tables = TeamTables::of(DB::connection());
        $from = self::free($tables);
        $team = Team::query()->create(['name' => $name, 'numbers_from' => $from]);
        $without = [];
        [$done, $of] = [0, count($tables->columns) + 1];
        foreach ($tables->columns as $table => $columns) {
            $tell($done++, $of, strtr($table, '_', ' '));
            $path = "{$folder}/tables/{$table}.jsonl";
            $piece = [];
            foreach (is_file($path) ? self::rows($path, $table, $columns) : [] as $row) {
                $row = ['team_id' => $team->id] + self::moved($row, $columns, $from);
                if ($table === 'users') {
                    $row = self::person($row, $without);
                }
                $piece[] = $row;
                if (count($piece) === self::PIECE) {
                    ManyRows::insert($table, $piece);
                    $piece = [];
                }
            }
            ManyRows::insert($table, $piece);
            self::above($table, $from);
        }

        $tell($done, $of, 'the chain of the record');

        return new TakenTeam($team, $without);
    }

    /** @return int 0 where every number is free */
    private static function free(TeamTables $tables): int
    {
        $last = 0;
        foreach ($tables->names() as $table) {
            $last = max($last, Values::whole(DB::table($table)->max('id')));
        }

        return (int) ceil($last / self::ROUND) * self::ROUND;
    }

    /** New rows of the table get numbers above those of the archive. */
    private static function above(string $table, int $from): void
    {
        if (DB::update('UPDATE sqlite_sequence SET seq = MAX(seq, ?) WHERE name = ?', [$from, $table]) === 0) {
            DB::insert('INSERT INTO sqlite_sequence (name, seq) VALUES (?, ?)', [$table, $from]);
        }
    }

    /**
     * @param list<TeamColumn> $columns
     * @return \Generator<array<string, string|int|float|null>>
     */
    private static function rows(string $path, string $table, array $columns): \Generator
    {
        $file = new \SplFileObject($path);
        foreach ($file as $i => $line) {
            if (! is_string($line) || trim($line) === '') {
                continue;
            }
            $row = json_decode($line, true);
            $place = "tables/{$table}.jsonl, line ".((int) $i + 1);
            if (! is_array($row) || array_diff(array_keys($row), array_column($columns, 'name')) !== []) {
                throw new BadBackup("{$place}: it is no row of {$table}; accepted are lines as schema.json has them.");
            }
            yield self::plain($row, $columns, $place);
        }
    }

    /**
     * @param array<mixed> $row
     * @param list<TeamColumn> $columns
     * @return array<string, string|int|float|null>
     */
    private static function plain(array $row, array $columns, string $place): array
    {
        $plain = [];
        foreach ($columns as $column) {
            $value = $row[$column->name] ?? null;
            if (is_array($value) && is_string($value['base64'] ?? null)) {
                $value = base64_decode($value['base64'], true);
            }
            $plain[$column->name] = is_string($value) || is_int($value) || is_float($value) || $value === null
                ? $value
                : throw new BadBackup("{$place}: {$column->name} is neither a number nor a text.");
        }

        return $plain;
    }

    /**
     * @param array<string, string|int|float|null> $row
     * @param list<TeamColumn> $columns
     * @return array<string, string|int|float|null>
     */
    private static function moved(array $row, array $columns, int $by): array
    {
        foreach ($columns as $column) {
            $row[$column->name] = $column->moved($row[$column->name], $by);
        }

        return $row;
    }

    /**
     * A person comes without a password, and without an address that is in use here.
     *
     * @param array<string, string|int|float|null> $row
     * @param list<string> $without
     * @return array<string, string|int|float|null>
     */
    private static function person(array $row, array &$without): array
    {
        $address = Values::text($row['email'] ?? '');
        if (User::query()->where('email', $address)->exists()) {
            $without[] = $address;
            $row['email'] = Values::whole($row['id'] ?? 0).self::NO_ADDRESS;
        }

        return $row + ['password' => Hash::make(Str::random(40)), 'remember_token' => null];
    }

    private function same(Team $team, TeamManifest $manifest): void
    {
        $found = ($this->verify)($team->id);
        if (($found->fault->words ?? '') !== $manifest->fault) {
            throw new BadBackup(
                'The record of the archive is not as it was when the archive was made: '.
                    ($found->fault->words ?? 'it was damaged then and is whole now').'. Nothing was stored.',
            );
        }
        if ($found->head->toRow() !== $manifest->head->toRow()) {
            throw new BadBackup(
                "The record of the archive ends at {$found->head->short()}, not at {$manifest->head->short()} as it says. ".
                    'Nothing was stored.',
            );
        }
    }
}
