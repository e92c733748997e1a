<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\TestCase;
use Tests\Support\Command;

/**
 * A first set-up and an upgrade of a filled database are killed, signal 9, at moments spread over the time they take:
 * run again, they end as if nothing had happened. KILLS says how often each is killed; few in the suite.
 */
final class MigrationCrashTest extends TestCase
{
    private const KILLS = 8;

    /** What waits for the last three migrations. */
    private const BACK = 7;

    private string $folder;

    /** @var array<string, string> */
    private array $environment;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/honest-core-kills-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->environment = [
            'PATH' => (string) getenv('PATH'),
            'HOME' => sys_get_temp_dir(),
            'APP_ENV' => 'none',
            'APP_KEY' => 'base64:'.base64_encode(random_bytes(32)),
            'DB_DATABASE' => "{$this->folder}/in-use.sqlite",
        ];
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("{$this->folder}/*") ?: []);
        rmdir($this->folder);
    }

    public function test_a_killed_upgrade_goes_on_and_ends_the_same(): void
    {
        $this->empty();
        $this->ran(['migrate', '--seed', '--force']);
        $this->ran(['migrate:rollback', '--step='.self::BACK, '--force']);
        copy($this->environment['DB_DATABASE'], "{$this->folder}/before");
        $begun = hrtime(true);
        $this->ran(['migrate', '--force']);
        $takes = hrtime(true) - $begun;
        $whole = $this->content();
        $cut = 0;
        for ($kill = 1; $kill <= self::kills(); $kill++) {
            $this->empty();
            copy("{$this->folder}/before", $this->environment['DB_DATABASE']);
            $cut += $this->killed(['migrate', '--force'], intdiv($takes * $kill, self::kills() + 1)) ? 1 : 0;
            self::assertSame('ok', $this->figure('PRAGMA integrity_check'), "kill {$kill}");
            $this->ran(['migrate', '--force']);
            self::assertSame($whole, $this->content(), "kill {$kill}");
        }
        self::assertGreaterThan(intdiv(self::kills(), 2), $cut, 'most were killed before they had ended');
        self::assertStringContainsString('whole, ', $this->ran(['record:verify']));
    }

    public function test_a_killed_first_set_up_goes_on_and_loads_the_demo_whole(): void
    {
        $this->empty();
        $begun = hrtime(true);
        $this->setUpDemo();
        $takes = hrtime(true) - $begun;
        $whole = $this->counts();
        $cut = 0;
        for ($kill = 1; $kill <= self::kills(); $kill++) {
            $this->empty();
            $moment = intdiv($takes * $kill, self::kills() + 1);
            $cut += $this->killed(['migrate', '--seed', '--force'], $moment) ? 1 : 0;
            self::assertContains($this->figure('SELECT COUNT(*) FROM teams'), ['', '0', '1'], 'whole or not at all');
            $this->setUpDemo();
            self::assertSame($whole, $this->counts(), "kill {$kill}");
            self::assertSame('ok', $this->figure('PRAGMA integrity_check'), "kill {$kill}");
        }
        self::assertGreaterThan(intdiv(self::kills(), 2), $cut, 'most were killed before they had ended');
        self::assertStringContainsString('whole, ', $this->ran(['record:verify']));
    }

    private static function kills(): int
    {
        return max(1, (int) (getenv('KILLS') ?: self::KILLS));
    }

    private function setUpDemo(): void
    {
        $this->ran(['migrate', '--force']);
        $this->ran(['db:seed', '--force']);
    }

    private function empty(): void
    {
        array_map(unlink(...), glob($this->environment['DB_DATABASE'].'*') ?: []);
        touch($this->environment['DB_DATABASE']);
    }

    /** @param list<string> $command */
    private function ran(array $command): string
    {
        $run = Command::run($command, '', $this->environment);
        self::assertSame(0, $run->status, $run->output.$run->error);

        return $run->output;
    }

    /**
     * @param list<string> $command
     * @return bool whether it was still running
     */
    private function killed(array $command, int $afterNs): bool
    {
        $process = proc_open(
            [PHP_BINARY, dirname(__DIR__, 2).'/artisan', ...$command],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            dirname(__DIR__, 2),
            $this->environment,
        );
        self::assertIsResource($process);
        for ($until = hrtime(true) + $afterNs; hrtime(true) < $until;) {
            if (! proc_get_status($process)['running']) {
                break;
            }
        }
        $running = proc_get_status($process)['running'];
        proc_terminate($process, 9);
        proc_close($process);

        return $running;
    }

    private function figure(string $sql): string
    {
        try {
            $found = (new \PDO('sqlite:'.$this->environment['DB_DATABASE']))->query($sql);

            return $found === false ? '' : (string) $found->fetchColumn();
        } catch (\PDOException) {
            return '';
        }
    }

    /** @return array<string, string> rows of every table; what was made when is not compared */
    private function counts(): array
    {
        return array_map(
            fn (string $table): string => $this->figure("SELECT COUNT(*) FROM \"{$table}\""),
            $this->tables(),
        );
    }

    /** @return array<string, string> hash of every table; the batches of migrations differ */
    private function content(): array
    {
        $database = new \PDO('sqlite:'.$this->environment['DB_DATABASE']);

        return array_map(static function (string $table) use ($database): string {
            $rows = $database->query($table === 'migrations' ? 'SELECT migration FROM migrations' : "SELECT * FROM \"{$table}\"");
            self::assertNotFalse($rows);

            return hash('sha256', serialize($rows->fetchAll(\PDO::FETCH_NUM)));
        }, $this->tables());
    }

    /** @return array<string, string> by name */
    private function tables(): array
    {
        $names = (new \PDO('sqlite:'.$this->environment['DB_DATABASE']))->query(
            "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_stat%' ORDER BY name",
        );
        self::assertNotFalse($names);
        $tables = array_map(strval(...), $names->fetchAll(\PDO::FETCH_COLUMN));

        return array_combine($tables, $tables);
    }
}
