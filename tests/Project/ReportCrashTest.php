<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\TestCase;
use Tests\Browser\Servers;

/**
 * The application is killed, signal 9, in the middle of taking a report: nothing of it is there, and afterwards it is
 * taken whole.
 */
final class ReportCrashTest extends TestCase
{
    private const PORTIONS = 4000;

    public function test_a_report_that_was_cut_off_left_nothing_behind(): void
    {
        putenv('APP_KEY=base64:'.base64_encode(random_bytes(32)));
        $servers = Servers::start(withDriver: false);
        $file = (string) tempnam(sys_get_temp_dir(), 'report');
        try {
            $this->portions($servers);
            file_put_contents(
                $file,
                "sample,ph,P Olsen (ppm),K (ppm)\n".
                    implode(
                        '',
                        array_map(
                            static fn (int $i): string => sprintf(
                                "QH12-%dL-0,%.2f,%d,%d\n",
                                10_000 + $i,
                                5 + ($i % 25) / 10,
                                5 + ($i % 40),
                                60 + ($i % 200),
                            ),
                            range(1, self::PORTIONS),
                        ),
                    ),
            );
            $before = $this->counts($servers);
            for ($kill = 0; $kill < 3; $kill++) {
                $process = $this->send($servers, $file);
                $this->awaitWriting($servers, $process);
                $servers->kill();
                proc_close($process);
                $servers->startAgain();
                self::assertSame($before, $this->counts($servers), "kill {$kill}");
                self::assertSame('ok', $this->figure($servers, 'pragma integrity_check'));
            }
            self::assertSame(0, proc_close($this->send($servers, $file)));
            self::assertSame(
                [$before[0] + 1, $before[1] + 3 * self::PORTIONS, $before[2] + 3 * self::PORTIONS],
                $this->counts($servers),
            );
        } finally {
            $servers->stop();
            @unlink($file);
        }
    }

    private function portions(Servers $servers): void
    {
        $servers->database()->exec(
            'WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < '.
                self::PORTIONS.
                ')
            INSERT INTO portions (team_id, sample_id, site_id, kind, code, state, place, created_at, updated_at) '.
                    "SELECT team_id, 1 + i % 18, site_id, 'lab', 'QH12-' || (10000 + i) || 'L-0', 'split', '', ".
                        'created_at, updated_at FROM portions, n WHERE portions.id = 1',
        );
    }

    /** @return resource a process that signs in and sends the file */
    private function send(Servers $servers, string $file)
    {
        $process = proc_open(
            [PHP_BINARY, __DIR__.'/report.php', $servers->address, $file],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
        );
        self::assertIsResource($process);

        return $process;
    }

    /**
     * Waits until somebody holds the write lock for longer than an ordinary request does.
     *
     * @param resource $process
     */
    private function awaitWriting(Servers $servers, $process): void
    {
        $database = $servers->database();
        $database->exec('PRAGMA busy_timeout = 0');
        for ($held = 0; $held < 40;) {
            self::assertTrue(proc_get_status($process)['running'], 'it is still being taken');
            try {
                $database->exec('BEGIN IMMEDIATE');
                $database->exec('ROLLBACK');
                $held = 0;
            } catch (\PDOException) {
                $held++;
            }
        }
    }

    /** @return list<int> reports, results and readings */
    private function counts(Servers $servers): array
    {
        return array_map(fn (string $table): int => (int) $this->figure($servers, "select count(*) from {$table}"), [
            'lab_reports',
            'lab_results',
            'readings',
        ]);
    }

    private function figure(Servers $servers, string $sql): string
    {
        $found = $servers->database()->query($sql);
        self::assertNotFalse($found);

        return (string) $found->fetchColumn();
    }
}
