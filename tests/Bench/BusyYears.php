<?php

declare(strict_types=1);

namespace Tests\Bench;

use PDO;

/**
 * The demo grown to ten years of a busy team beside twenty others: 60 sites, 750 areas, 60,000 composites, 300,000 results
 * of labs, 20,000 readings of 200 tests, 3,000 parcels. Rows are copies of the demo's own, so that what they hold is as
 * pages know it; figures run through small cycles, so that every build is the same. The chain of the record is not drawn
 * out to them: what walks it is not measured here.
 */
final readonly class BusyYears
{
    /** What labs find, by method: fixed cycles about what grounds are like. */
    private const CYCLES = [
        2 => '5.4 + (n.i * 7 % 23) / 20.0',
        11 => '10.0 + n.i * 13 % 61',
        12 => '80.0 + n.i * 17 % 151',
        13 => '2.0 + (n.i * 3 % 31) / 10.0',
        14 => '8.0 + (n.i * 5 % 41) / 10.0',
    ];

    private const YEARS = 10;

    private const COMPOSITES = 8;

    /** How far apart the row numbers of two teams lie. */
    private const APART = 10_000_000;

    private const FIRST_YEAR = 2017;

    /** The demo's paddock: cells with a duplicate each. */
    private const AREA = 5;

    private const PLAN = 21;

    private const PROGRAM = 3;

    /**
     * @param string $mark of its names and codes, so that a database can grow twice
     * @param int $ofOneTest readings of the first of the tests
     */
    public function __construct(
        private PDO $database,
        private string $mark = 'BY',
        private int $teams = 20,
        private int $sites = 57,
        private int $areas = 750,
        private int $parcels = 3000,
        private int $tests = 200,
        private int $readings = 20_000,
        private int $ofOneTest = 2000,
    ) {}

    /** All of it, in the demo's file. */
    public static function in(string $file): void
    {
        $database = new PDO("sqlite:{$file}", null, null, [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $database->exec('PRAGMA journal_mode = WAL');
        $database->exec('PRAGMA synchronous = OFF');
        $database->exec('PRAGMA foreign_keys = OFF');
        $database->exec('PRAGMA cache_size = -400000');
        $database->beginTransaction();
        (new self($database))->grow();
        $database->commit();
        $broken = (new self($database))->column('SELECT "table" FROM pragma_foreign_key_check');
        if ($broken !== []) {
            throw new \LogicException("A row of {$broken[0]} points nowhere.");
        }
        $database->exec('PRAGMA wal_checkpoint(TRUNCATE)');
    }

    public function grow(): void
    {
        $this->otherTeams();
        $this->ground();
        $this->composites();
        $this->results();
        $this->tests();
        $this->programs();
    }

    private function samples(): int
    {
        return $this->areas * self::YEARS * self::COMPOSITES;
    }

    /** Each other team is the demo's, under numbers and addresses of its own. */
    private function otherTeams(): void
    {
        foreach ($this->tables() as $table) {
            $points = $this->pointers($table);
            $said = [];
            foreach ($this->columns($table) as $column) {
                $said[$column] = match (true) {
                    $column === 'id',
                    isset($points[$column]),
                    $column === 'row' && $table === 'record_links' => "one.\"{$column}\" + n.i * ".self::APART,
                    // Links name rows as the team numbered them where it came from.
                    $table === 'teams' && $column === 'numbers_from' => 'one.numbers_from + n.i * '.self::APART,
                    $column === 'email' => "'team' || n.i || '-' || one.email",
                    $column === 'token_hash' => 'one.token_hash || n.i',
                    $table === 'teams' && $column === 'name' => "one.name || ' ' || n.i",
                    default => "one.\"{$column}\"",
                };
            }
            $which = $table === 'teams' ? 'one.id = 1' : 'one.team_id = 1';
            $this->teams === 0 || $this->write($table, $said, $this->teams, "{$which}", 1);
        }
    }

    private function ground(): void
    {
        [$site, $area, $plan] = [$this->next('sites'), $this->next('areas'), $this->next('plans')];
        $this->copies('sites', 1, $this->sites, [
            'id' => "{$site} + n.i",
            'name' => "'{$this->mark} Holding ' || (n.i + 1)",
            'letters' => "substr('{$this->mark}', 1, 1) || char(65 + n.i / 26) || char(65 + n.i % 26)",
        ]);
        $this->copies('areas', self::AREA, $this->areas, [
            'id' => "{$area} + n.i",
            'site_id' => "{$site} + n.i % ".$this->sites,
            'name' => "'{$this->mark} Ground ' || (n.i + 1)",
        ]);
        $this->copies('plans', self::PLAN, $this->areas * self::YEARS, [
            'id' => "{$plan} + n.i", 'area_id' => "{$area} + n.i / ".self::YEARS, 'pull_on' => 'NULL',
            'created_at' => $this->day('n.i % '.self::YEARS, '03-01'),
            'updated_at' => $this->day('n.i % '.self::YEARS, '03-01'),
        ]);
        $dressed = "(SELECT min(id) FROM ground_events WHERE corrects <> '' AND team_id = 1)";
        $this->copies('ground_events', $dressed, $this->areas * self::YEARS * 3, [
            'id' => $this->next('ground_events').' + n.i',
            'area_id' => "{$area} + n.i % ".$this->areas,
            'uuid' => 'NULL',
            'program_id' => 'NULL',
            'takes_back_id' => 'NULL',
            'on' => "date('2017-02-10', '+' || (n.i / ".
                (3 * $this->areas).") || ' years', '+' || (n.i / {$this->areas} % 3) || ' months')",
        ]);
    }

    private function composites(): void
    {
        $each = self::COMPOSITES;
        [$sample, $portion] = [$this->next('samples'), $this->next('portions')];
        [$plan, $area] = [$this->next('plans') - $this->areas * self::YEARS, $this->next('areas') - $this->areas];
        $year = "((n.i / {$each}) % ".self::YEARS.')';
        $this->copies('samples', '(SELECT min(id) FROM samples WHERE area_id = '.self::AREA.')', $this->samples(), [
            'id' => "{$sample} + n.i",
            'plan_id' => "{$plan} + n.i / {$each}",
            'area_id' => "{$area} + n.i / ".($each * self::YEARS),
            'site_id' => "(SELECT site_id FROM areas WHERE id = {$area} + n.i / ".($each * self::YEARS).')',
            'code' => "'{$this->mark}' || (".self::FIRST_YEAR." - 2000 + {$year}) || '-' || n.i || '-K'",
            'year' => self::FIRST_YEAR." + {$year}",
            'number' => '1000 + n.i',
            'composite' => "1 + n.i % {$each}", 'pulled_on' => $this->day($year, '04-14'), 'submission' => 'NULL',
            'created_at' => $this->day($year, '04-14'), 'updated_at' => $this->day($year, '04-14'),
        ]);
        foreach ([0 => 'lab', 1 => 'bench'] as $k => $kind) {
            $this->copies('portions', $k === 0 ? 1 : 2, $this->samples(), [
                'id' => "{$portion} + 2 * n.i + {$k}",
                'sample_id' => "{$sample} + n.i",
                'code' => "'{$this->mark}17-' || n.i || '".($k === 0 ? 'L' : 'B')."-X'",
                'site_id' => "(SELECT site_id FROM samples WHERE id = {$sample} + n.i)",
                'state' => "CASE WHEN n.i % 1000 = 999 THEN 'drying' ELSE ".($k === 0 ? "'reported'" : "'shelved'").' END',
                'pulled_at' => $this->day($year, '04-14'),
                'state_at' => $this->day($year, '05-02'),
                'created_at' => $this->day($year, '04-14'),
            ]);
        }
        foreach (['split' => '04-14', 'bag' => '04-15', 'spread' => '04-16', 'shelve' => '05-02'] as $step => $day) {
            $this->copies('custody_lines', 1, 2 * $this->samples(), [
                'id' => $this->next('custody_lines').' + n.i',
                'portion_id' => "{$portion} + n.i",
                'uuid' => "'{$this->mark}{$step}:' || n.i",
                'step' => "'{$step}'",
                'at' => $this->day('((n.i / '.(2 * $each).') % '.self::YEARS.')', $day),
            ]);
        }
        $this->copies('core_pulls', 1, 15 * $this->samples(), [
            'id' => $this->next('core_pulls').' + n.i',
            'sample_id' => "{$sample} + n.i / 15",
            'sequence' => '1 + n.i % 15',
        ]);
    }

    private function results(): void
    {
        $a = $this->samples() / $this->parcels;
        [$sample, $portion] = [$this->next('samples') - $this->samples(), $this->next('portions') - 2 * $this->samples()];
        [$parcel, $report, $reading] = [$this->next('consignments'), $this->next('lab_reports'), $this->next('readings')];
        $year = '('.self::FIRST_YEAR.' + n.i * '.$a.' / '.self::COMPOSITES.' % '.self::YEARS.')';
        $this->copies('consignments', 1, $this->parcels, [
            'id' => "{$parcel} + n.i",
            'number' => $this->next('consignments').' + n.i',
            'submission' => "'{$this->mark}-' || n.i",
            'state' => "'reported'",
            'sent_at' => "{$year} || '-04-20 13:00:00'",
            'expected_on' => "{$year} || '-04-30 00:00:00'",
            'created_at' => "{$year} || '-04-19 16:00:00'",
        ]);
        $this->copies('consigned_portions', 1, $this->samples(), [
            'id' => $this->next('consigned_portions').' + n.i',
            'consignment_id' => "{$parcel} + n.i / {$a}",
            'portion_id' => "{$portion} + 2 * n.i",
        ]);
        $this->copies('lab_reports', 1, $this->parcels, [
            'id' => "{$report} + n.i",
            'sha256' => "'{$this->mark}' || n.i",
            'file_name' => "'fennick-' || n.i || '.csv'",
            'rows' => "{$a}",
            'supersedes_id' => 'NULL',
            'read_on' => "{$year} || '-05-02 00:00:00'",
            'created_at' => "{$year} || '-05-02 14:00:00'",
        ]);
        foreach (self::CYCLES as $method => $value) {
            $result = "(SELECT min(id) FROM lab_results WHERE method_id = {$method} AND kind = 'number')";
            $first = $this->next('readings');
            $this->copies('readings', "(SELECT reading_id FROM lab_results WHERE id = {$result})", $this->samples(), [
                'id' => "{$first} + n.i",
                'sample_id' => "{$sample} + n.i",
                'portion_id' => "{$portion} + 2 * n.i",
                'report_id' => "{$report} + n.i / {$a}",
                'value' => $value,
                'as_reported' => "printf('%.2f', {$value})",
                'read_on' => $this->day('((n.i / '.self::COMPOSITES.') % '.self::YEARS.')', '05-02'),
            ]);
            $this->copies('lab_results', $result, $this->samples(), [
                'id' => $this->next('lab_results').' + n.i',
                'reading_id' => "{$first} + n.i",
                'portion_id' => "{$portion} + 2 * n.i",
                'report_id' => "{$report} + n.i / {$a}",
                'value' => $value, 'as_reported' => "printf('%.2f', {$value})", 'row' => "2 + n.i % {$a}",
            ]);
        }
    }

    /** 200 tests of the bench, the first read on 2,000 composites, and the runs that they were read in. */
    private function tests(): void
    {
        $rest = $this->readings - $this->ofOneTest;
        $method = $this->next('methods');
        $sample = $this->next('samples') - $this->samples();
        $portion = $this->next('portions') - 2 * $this->samples();
        $this->copies('methods', 5, $this->tests, [
            'id' => "{$method} + n.i",
            'code' => "'{$this->mark}-' || n.i",
            'name' => "'{$this->mark} Test ' || (n.i + 1)",
        ]);
        $this->copies('method_versions', '(SELECT min(id) FROM method_versions WHERE method_id = 5)', $this->tests, [
            'id' => $this->next('method_versions').' + n.i',
            'method_id' => "{$method} + n.i",
        ]);
        $run = $this->next('bench_runs');
        $this->copies('bench_runs', 1, $this->readings / 20, [
            'id' => "{$run} + n.i",
            'submission' => "'{$this->mark}-' || n.i",
            'method_id' => "{$method} + CASE WHEN n.i < 100 THEN 0 ELSE 1 + n.i % ".($this->tests - 1).' END',
        ]);
        // Each composite has a result of the lab, so that each reading makes a pair. The lot turns once a season.
        $of = "(CASE WHEN n.i < {$this->ofOneTest} THEN n.i * 29 ELSE (n.i - {$this->ofOneTest}) / ".($this->tests - 1).
            " * 601 END) % {$this->samples()}";
        $value = "round(5.4 + (({$of}) * 7 % 23) / 20.0 + (n.i * 11 % 9 - 4) / 20.0, 2)";
        $this->copies('readings', '(SELECT min(id) FROM readings WHERE method_id = 5)', $this->readings, [
            'id' => $this->next('readings').' + n.i',
            'method_id' => "{$method} + CASE WHEN n.i < ".$this->ofOneTest.' THEN 0 ELSE 1 + n.i % '.($this->tests - 1).' END',
            'sample_id' => "{$sample} + {$of}",
            'portion_id' => "{$portion} + 2 * ({$of}) + 1",
            'value' => $value,
            'as_reported' => "printf('%.2f', {$value})",
            'read_on' => $this->day("((({$of}) / ".self::COMPOSITES.') % '.self::YEARS.')', '04-16'),
            'lot' => "'B-' || ((({$of}) / ".self::COMPOSITES.') % '.self::YEARS.')',
            'run_id' => "{$run} + n.i / 20", 'method_version_id' => 'NULL',
        ]);
        $this->copies('bench_tubes', 1, $this->readings, [
            'id' => $this->next('bench_tubes').' + n.i',
            'run_id' => "{$run} + n.i / 20",
            'number' => '1 + n.i % 20',
            'portion_id' => "{$portion} + 2 * ({$of}) + 1",
        ]);
        $this->copies('run_marks', 1, 5 * $this->readings, [
            'id' => $this->next('run_marks').' + n.i',
            'run_id' => "{$run} + n.i / 100",
            'uuid' => "'{$this->mark}-' || n.i",
        ]);
        $this->copies('verdicts', 1, $this->tests / 2, [
            'id' => $this->next('verdicts').' + n.i',
            'method_id' => "{$method} + n.i",
            'follows_id' => 'NULL',
        ]);
    }

    private function programs(): void
    {
        $area = $this->next('areas') - $this->areas;
        $this->copies('programs', self::PROGRAM, $this->areas * self::YEARS / 2, [
            'id' => $this->next('programs').' + n.i',
            'area_id' => "{$area} + n.i % ".$this->areas,
            'follows_id' => 'NULL',
            'season' => self::FIRST_YEAR.' + 2 * (n.i / '.$this->areas.')',
            'created_at' => self::FIRST_YEAR.' + 2 * (n.i / '.$this->areas.") || '-05-08 10:00:00'",
        ]);
    }

    private function day(string $year, string $day): string
    {
        return '('.self::FIRST_YEAR." + {$year}) || '-{$day} 15:00:00'";
    }

    /** @param array<string, string> $set what of it differs, as SQL of the copy's number n.i */
    private function copies(string $table, int|string $which, int $times, array $set): void
    {
        $said = [];
        foreach ($this->columns($table) as $column) {
            $said[$column] = $set[$column] ?? "one.\"{$column}\"";
        }
        $this->write($table, $said, $times, "one.id = {$which}", 0);
    }

    /** @param array<string, string> $said */
    private function write(string $table, array $said, int $times, string $which, int $from): void
    {
        $to = $from + $times - 1;
        $columns = '"'.implode('", "', array_keys($said)).'"';
        $values = implode(', ', $said);
        $this->database->exec("WITH RECURSIVE n(i) AS (SELECT {$from} UNION ALL SELECT i + 1 FROM n WHERE i < {$to})
            INSERT INTO \"{$table}\" ({$columns}) SELECT {$values} FROM \"{$table}\" one, n WHERE {$which} ORDER BY n.i");
    }

    /** The number that its next row would have here, beyond those of the other teams. */
    private function next(string $table): int
    {
        return 1 + (int) $this->column("SELECT max(id) FROM \"{$table}\"")[0];
    }

    /** @return list<string> those that hold what belongs to a team, and the teams */
    private function tables(): array
    {
        $all = $this->column(
            "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'
                AND name NOT IN ('migrations', 'stirred') ORDER BY name",
        );

        return array_values(
            array_filter($all, fn (string $table): bool => $table === 'teams' || in_array('team_id', $this->columns($table), true)),
        );
    }

    /** @return list<string> */
    private function columns(string $table): array
    {
        return $this->column("SELECT name FROM pragma_table_info('{$table}')");
    }

    /** @return array<string, true> columns that hold the number of a row elsewhere */
    private function pointers(string $table): array
    {
        return array_fill_keys($this->column("SELECT \"from\" FROM pragma_foreign_key_list('{$table}')"), true);
    }

    /** @return list<string> */
    private function column(string $sql): array
    {
        $found = $this->database->query($sql) ?: throw new \LogicException($sql);

        return array_map(
            static fn (mixed $value): string => is_scalar($value) ? (string) $value : '',
            array_values($found->fetchAll(PDO::FETCH_COLUMN)),
        );
    }
}
