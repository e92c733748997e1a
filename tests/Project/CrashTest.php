<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\TestCase;
use Tests\Browser\Servers;

/**
 * The application is killed, signal 9, amid a burst of entries from two phones, again and again: each is stored
 * exactly once.
 */
final class CrashTest extends TestCase
{
    private const ENTRIES = 300;

    private const BATCH = 10;

    private const KILLS = 6;

    public function test_each_entry_is_stored_exactly_once(): void
    {
        putenv('APP_KEY=base64:'.base64_encode(random_bytes(32)));
        $servers = Servers::deployed();
        try {
            $plan = (int) $this->figure($servers, 'select max(id) from plans');
            $phones = [];
            foreach ([1, 2] as $number) {
                $process = proc_open(
                    [
                        PHP_BINARY,
                        __DIR__.'/phone.php',
                        $servers->address,
                        (string) $plan,
                        (string) self::ENTRIES,
                        (string) self::BATCH,
                    ],
                    [1 => ['pipe', 'w'], 2 => ['pipe', 'w']],
                    $pipes,
                );
                self::assertIsResource($process);
                $phones[$number] = [$process, $pipes[1], $pipes[2]];
            }
            $this->killWhileSending($servers, $phones[1][1]);
            $repeats = 0;
            foreach ($phones as [$process, $output, $error]) {
                $said = (string) stream_get_contents($output);
                self::assertSame('', (string) stream_get_contents($error));
                self::assertSame(0, proc_close($process));
                $repeats += (int) preg_replace('/^.*repeats (\d+).*$/s', '$1', $said);
            }

            self::assertGreaterThanOrEqual(self::KILLS, $repeats, 'the kills were felt');
            self::assertSame(2 * self::ENTRIES, (int) $this->figure($servers, 'select count(*) from pull_entries'));
            self::assertSame(
                2 * self::ENTRIES,
                (int) $this->figure($servers, 'select count(distinct uuid) from pull_entries'),
            );
            self::assertSame(2, (int) $this->figure($servers, 'select count(distinct device) from pull_entries'));
            self::assertSame('ok', $this->figure($servers, 'pragma integrity_check'));
            $before =
                'select count(*) from pull_entries a join pull_entries b on a.device = b.device and a.id < b.id and '.
                    'a.ordinal > b.ordinal';
            self::assertSame(0, (int) $this->figure($servers, $before), 'in the order in which they were made');
        } finally {
            $servers->stop();
        }
    }

    /** @param resource $said the lines of a phone */
    private function killWhileSending(Servers $servers, $said): void
    {
        for ($kill = 0, $line = 0; $kill < self::KILLS; $line++) {
            self::assertNotFalse(fgets($said), 'the phone is still sending');
            if ($line % 4 === 3) {
                $servers->kill();
                $servers->startAgain();
                $kill++;
            }
        }
    }

    private function figure(Servers $servers, string $sql): string
    {
        $found = $servers->database()->query($sql);
        self::assertNotFalse($found);

        return (string) $found->fetchColumn();
    }
}
