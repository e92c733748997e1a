<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\TestCase;

/** Several writers at once on one SQLite file: a transaction that reads and then writes must not be refused. */
final class ConcurrencyTest extends TestCase
{
    private const WRITERS = 4;

    private const TURNS = 25;

    public function test_writers_wait_for_one_another_and_lose_nothing(): void
    {
        $file = sys_get_temp_dir().'/honest-core-writers-'.getmypid().'.sqlite';
        $pdo = new \PDO("sqlite:{$file}");
        $pdo->exec('PRAGMA journal_mode = WAL; CREATE TABLE counter (n INTEGER); INSERT INTO counter VALUES (0)');
        $writers = [];
        for ($i = 0; $i < self::WRITERS; $i++) {
            $writer = proc_open(
                [PHP_BINARY, __DIR__.'/count-up.php', $file, (string) self::TURNS],
                [2 => ['pipe', 'w']],
                $pipes,
            );
            self::assertIsResource($writer);
            $writers[] = [$writer, $pipes[2]];
        }
        foreach ($writers as [$writer, $error]) {
            $said = (string) stream_get_contents($error);
            self::assertSame(0, proc_close($writer), $said);
        }
        $found = $pdo->query('SELECT n FROM counter');
        self::assertNotFalse($found);
        $count = $found->fetchColumn();
        unset($pdo, $found);
        foreach (glob($file.'*') ?: [] as $left) {
            unlink($left);
        }

        self::assertSame(self::WRITERS * self::TURNS, (int) $count);
    }
}
