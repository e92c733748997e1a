<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\TestCase;
use Tests\Browser\Servers;

/**
 * nginx and php-fpm are killed, signal 9, while somebody works over every path that writes: what was acknowledged is
 * there, nothing is half there, and every chain is whole. KILLS asks for more of them.
 */
final class WritingCrashTest extends TestCase
{
    private const KILLS = 8;

    /** Acts of a round, and where and under what mark each is found. */
    private const FOUND = [
        'area' => "SELECT count(*) FROM areas WHERE name = 'Work %d of tobias@demo.example'",
        'sample' => "SELECT count(*) FROM samples WHERE pulled_by = 'Work %d of tobias@demo.example'",
        'run' => "SELECT count(*) FROM bench_runs WHERE note LIKE 'Work %d of tobias@demo.example%%'",
        'soil' => "SELECT count(*) FROM check_soils WHERE name = 'Work %d of tobias@demo.example'",
        'lab' => "SELECT count(*) FROM labs WHERE name = 'Work %d of tobias@demo.example'",
        'lot' => "SELECT count(*) FROM reagent_lots WHERE lot = 'Work %d of tobias@demo.example'",
        'report' => "SELECT count(*) FROM lab_reports WHERE file_name = 'Work %d of tobias@demo.example.csv' AND state = 'taken'",
    ];

    /** Acts that are told apart by nothing: one whose answer was lost may be there twice. */
    private const FOUND_AT_LEAST = [
        'landmark' => "SELECT count(*) FROM landmarks WHERE name = 'Work %d of tobias@demo.example'",
        'spread' => "SELECT count(*) FROM ground_events WHERE what = 'Work %d of tobias@demo.example'",
        'transect' => "SELECT count(*) FROM transects WHERE note = 'Work %d of tobias@demo.example'",
        'reading' => "SELECT count(*) FROM readings WHERE note = 'Work %d of tobias@demo.example'",
        'vision' => "SELECT count(*) FROM vision_checks WHERE reader = 'Work %d of tobias@demo.example'",
        'calibration' => "SELECT count(*) FROM calibrations WHERE instrument = 'Work %d of tobias@demo.example'",
        'policy' => "SELECT count(*) FROM judging_policies WHERE reason LIKE 'Work %d of tobias@demo.example,%%'",
    ];

    /** What would be half there: rows without those that are written with them. */
    private const HALVES = [
        'SELECT count(*) FROM samples s WHERE (SELECT count(*) FROM portions p WHERE p.sample_id = s.id) < 2 OR '.
            '(SELECT count(*) FROM core_pulls c WHERE c.sample_id = s.id) <> s.cores_planned',
        'SELECT count(*) FROM bench_runs r WHERE NOT EXISTS (SELECT 1 FROM bench_tubes t WHERE t.run_id = r.id)',
        'SELECT count(*) FROM consignments c WHERE NOT EXISTS '.
            '(SELECT 1 FROM consigned_portions p WHERE p.consignment_id = c.id)',
        "SELECT count(*) FROM lab_reports r WHERE state = 'taken' AND NOT EXISTS ".
            '(SELECT 1 FROM lab_results l WHERE l.report_id = r.id)',
        'SELECT count(*) FROM portions p WHERE NOT EXISTS (SELECT 1 FROM custody_lines c WHERE c.portion_id = p.id)',
        'SELECT count(*) FROM pragma_foreign_key_check',
    ];

    public function test_what_was_acknowledged_is_there_and_nothing_is_half_there(): void
    {
        putenv('APP_KEY=base64:'.base64_encode(random_bytes(32)));
        $servers = Servers::deployed();
        try {
            $kills = (int) (getenv('KILLS') ?: self::KILLS);
            [$acts, $killed] = [[], 0];
            for ($part = 0; $killed < $kills; $part++) {
                $killed += $this->work($servers, min(40, $kills - $killed), $acts);
                $settled = $servers->artisan('reports:settle');
                self::assertSame(0, $settled->status, $settled->output.$settled->error);
            }
            $this->look($servers, $acts);
        } finally {
            $servers->stop();
        }
    }

    /**
     * A worker from the first round to the last; the rounds go on where the last worker's ended.
     *
     * @param array<string, int> $acts acknowledged, by kind
     * @return int kills
     */
    private function work(Servers $servers, int $kills, array &$acts): int
    {
        static $from = 1;
        $rounds = max(2, intdiv($kills, 8));
        $process = proc_open(
            [PHP_BINARY, __DIR__.'/work.php', $servers->address, "{$from}-".($from + $rounds - 1), 'tobias@demo.example', $servers->file()],
            [['file', '/dev/null', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
        );
        self::assertIsResource($process);
        $from += $rounds;
        [$killed, $line] = [0, 0];
        while (($said = fgets($pipes[1])) !== false) {
            $acts[trim($said)] = ($acts[trim($said)] ?? 0) + 1;
            // Some 40 acts a round, and 8 kills: at another moment of another act each time.
            if (++$line % 5 === 0 && $killed < $kills) {
                for ($until = hrtime(true) + random_int(0, 40_000_000); hrtime(true) < $until;);
                $servers->kill();
                $servers->startAgain();
                $killed++;
            }
        }
        $error = (string) stream_get_contents($pipes[2]);
        self::assertSame([0, ''], [proc_close($process), $error], "after {$killed} kills");

        return max(1, $killed);
    }

    /** @param array<string, int> $acts */
    private function look(Servers $servers, array $acts): void
    {
        $rounds = $acts['area'] ?? 0;
        self::assertGreaterThan(1, $rounds);
        for ($i = 1; $i <= $rounds; $i++) {
            foreach (self::FOUND as $what => $sql) {
                self::assertSame(1, $this->figure($servers, sprintf($sql, $i)), "{$what} of round {$i}");
            }
            foreach (self::FOUND_AT_LEAST as $what => $sql) {
                self::assertGreaterThanOrEqual(1, $this->figure($servers, sprintf($sql, $i)), "{$what} of round {$i}");
            }
        }
        self::assertGreaterThan(1, $this->figure($servers, 'SELECT count(*) FROM verdicts'));
        foreach (self::HALVES as $sql) {
            self::assertSame(0, $this->figure($servers, $sql), $sql);
        }
        $files = $servers->database()->query(
            'SELECT file FROM photos UNION SELECT file FROM underlays UNION SELECT file FROM report_papers',
        );
        self::assertNotFalse($files);
        foreach ($files->fetchAll(\PDO::FETCH_COLUMN) as $file) {
            self::assertFileExists(dirname($servers->file())."/storage/app/private/{$file}", 'what the database names');
        }
        $check = $servers->database()->query('PRAGMA integrity_check');
        self::assertNotFalse($check);
        self::assertSame('ok', $check->fetchColumn());
        $verified = $servers->artisan('record:verify');
        self::assertSame(0, $verified->status, $verified->output);
    }

    private function figure(Servers $servers, string $sql): int
    {
        $found = $servers->database()->query($sql);
        self::assertNotFalse($found, $sql);

        return (int) $found->fetchColumn();
    }
}
