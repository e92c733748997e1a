<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\TestCase;
use Tests\Browser\Servers;

/**
 * The application is killed, signal 9, in the middle of taking a report: cut off while its rows are stored, nothing of
 * it is left; cut off when all are, it is finished.
 */
final class ReportCrashTest extends TestCase
{
    private const PORTIONS = 4000;

    public function test_a_report_that_was_cut_off_is_there_whole_or_not_at_all(): void
    {
        putenv('APP_KEY=base64:'.base64_encode(random_bytes(32)));
        $servers = Servers::deployed();
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
            foreach (['taking', 'taking', 'sealing'] as $kill => $state) {
                $process = $this->send($servers, $file);
                $this->awaitState($servers, $process, $state);
                $servers->kill();
                proc_close($process);
                self::assertSame(0, $servers->artisan('reports:settle')->status);
                $servers->startAgain();
                self::assertSame('ok', $this->figure($servers, 'pragma integrity_check'));
                if ($state === 'taking') {
                    self::assertSame($before, $this->counts($servers), "kill {$kill}");
                }
            }
            $whole = [
                $before[0] + 1,
                $before[1] + 3 * self::PORTIONS,
                $before[2] + 3 * self::PORTIONS,
            ];
            self::assertSame($whole, array_slice($this->counts($servers), 0, 3), 'what was stored is finished');
            self::assertSame(0, proc_close($this->send($servers, $file)), 'and is known when it is sent again');
            self::assertSame($whole, array_slice($this->counts($servers), 0, 3));
            $verified = $servers->artisan('record:verify');
            self::assertSame(0, $verified->status, $verified->output);
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
     * Waits until the report is in that state, and a piece of it is stored.
     *
     * @param resource $process
     */
    private function awaitState(Servers $servers, $process, string $state): void
    {
        $pieces = "select count(*) from lab_results join lab_reports r on r.id = report_id where r.state = '{$state}'";
        while ((int) $this->figure($servers, $pieces) === 0) {
            self::assertTrue(proc_get_status($process)['running'], 'it is still being taken');
        }
        // Others write between two pieces.
        $servers->database()->exec("UPDATE sites SET name = name || '' WHERE id = 1");
        self::assertNotSame(0, (int) $this->figure($servers, $pieces), 'it is still in hand');
    }

    /** @return list<int> reports, results, readings and methods */
    private function counts(Servers $servers): array
    {
        return array_map(fn (string $table): int => (int) $this->figure($servers, "select count(*) from {$table}"), [
            'lab_reports',
            'lab_results',
            'readings',
            'methods',
        ]);
    }

    private function figure(Servers $servers, string $sql): string
    {
        $found = $servers->database()->query($sql);
        self::assertNotFalse($found);

        return (string) $found->fetchColumn();
    }
}
