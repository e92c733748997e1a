<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Tests\Support\Command;

/** The application on a fresh copy of the demo's data, and a driver for Chromium; both stop when told to. */
final class Servers
{
    private const FLAGS = [
        '--headless=new',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--no-first-run',
        '--no-default-browser-check',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--disable-extensions',
        '--disable-default-apps',
        '--mute-audio',
        '--hide-scrollbars',
        '--force-prefers-reduced-motion',
        '--force-device-scale-factor=1',
        '--password-store=basic',
        '--lang=en-US',
        '--window-size=1280,800',
        '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost',
    ];

    private static ?string $seeded = null;

    /**
     * @param list<int> $serving process groups of the application
     * @param list<int> $groups process groups beside it
     * @param non-empty-list<list<string>> $application its commands
     * @param array<string, string> $environment
     */
    private function __construct(
        public readonly string $address,
        private readonly string $driver,
        private readonly string $folder,
        private array $serving,
        private array $groups,
        private readonly array $application,
        private readonly array $environment,
    ) {}

    /** The application alone, behind nginx and php-fpm as deploy/ sets them up. */
    public static function deployed(): self
    {
        return self::start(withDriver: false, deployed: true);
    }

    /**
     * @param bool $withDriver false for the application alone
     * @param string|null $database a file to take a copy of instead of the demo's
     * @param bool $cached with settings and routes read once, as bin/start has them
     */
    public static function start(
        bool $withDriver = true,
        bool $deployed = false,
        ?string $database = null,
        bool $cached = false,
    ): self {
        $folder = sys_get_temp_dir().'/honest-core-browser-'.getmypid().'-'.bin2hex(random_bytes(3));
        mkdir($folder);
        copy($database ?? self::demo(), "{$folder}/demo.sqlite");
        [$port, $driverPort, $labPort] = [self::freePort(), self::freePort(), self::freePort()];
        $root = dirname(__DIR__, 2);
        $environment = [
            'PATH' => (string) getenv('PATH'),
            'HOME' => $folder,
            'TMPDIR' => $folder,
            'PHP_CLI_SERVER_WORKERS' => '4',
            'APP_KEY' => (string) getenv('APP_KEY'),
            'APP_DEMO' => '1',
            'DB_DATABASE' => "{$folder}/demo.sqlite",
            'CACHE_STORE' => 'array',
            'SESSION_DRIVER' => 'file',
            'APP_ENV' => 'browser',
            'LAB_SERVICE_URL' => "http://127.0.0.1:{$labPort}",
            'LAB_SERVICE_SIMULATED' => '1',
            'PROBE_SERVICE_URL' => "http://127.0.0.1:{$labPort}",
            'PROBE_SERVICE_SIMULATED' => '1',
            'STAND_IN_STATE' => "{$folder}/stand-in.json",
        ];
        if ($cached) {
            $environment += ['APP_CONFIG_CACHE' => "{$folder}/config.php", 'APP_ROUTES_CACHE' => "{$folder}/routes.php"];
            Command::run(['config:cache'], '', $environment);
            Command::run(['route:cache'], '', $environment);
        }
        $application = [['php', '-S', "127.0.0.1:{$port}", '-t', "{$root}/public", "{$root}/server.php"]];
        if ($deployed) {
            [$application, $environment] = DeployedSite::in($folder, $port, $environment);
        }
        $it = new self(
            "http://127.0.0.1:{$port}",
            "http://127.0.0.1:{$driverPort}",
            $folder,
            array_map(static fn (array $command): int => self::run($command, $environment, $folder), $application),
            $withDriver
                ? [
                    self::run(['chromedriver', "--port={$driverPort}", '--log-level=SEVERE'], $environment, $folder),
                    self::run(['php', '-S', "127.0.0.1:{$labPort}", "{$root}/stand-in/index.php"], $environment, $folder),
                ]
                : [],
            $application,
            $environment,
        );
        register_shutdown_function($it->stop(...));
        self::awaitAnswer("{$it->address}/api/welcome");
        if ($withDriver) {
            self::awaitAnswer("{$it->driver}/status");
        }

        return $it;
    }

    /** @param list<string> $more flags of Chromium */
    public function browser(array $more = []): RemoteWebDriver
    {
        $options = new ChromeOptions();
        $options->addArguments([...self::FLAGS, ...$more, "--user-data-dir={$this->folder}/chrome-".bin2hex(random_bytes(3))]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);

        return RemoteWebDriver::create($this->driver, $capabilities);
    }

    /** Kills the application at once, with all that it is doing, and waits until its port is free. */
    public function kill(): void
    {
        foreach ($this->serving as $leader) {
            posix_kill(-$leader, SIGKILL);
        }
        do {
            $socket = @stream_socket_server('tcp'.substr($this->address, 4));
        } while ($socket === false);
        fclose($socket);
        // Workers that have not died yet would have the next ones believe that others are at work.
        while (($worker = @stream_socket_client("unix://{$this->folder}/fpm.sock")) !== false) {
            fclose($worker);
        }
    }

    /** Kills the workers behind nginx and leaves that be. */
    public function killWorkers(): void
    {
        posix_kill(-$this->serving[0], SIGKILL);
    }

    /** Rate limits begin anew. */
    public function forgetLimits(): void
    {
        $this->artisan('cache:clear');
    }

    public function startAgain(): void
    {
        $this->serving = array_map(
            fn (array $command): int => self::run($command, $this->environment, $this->folder),
            $this->application,
        );
        self::awaitAnswer("{$this->address}/api/welcome");
    }

    /** A command beside the application, on the same data. */
    public function artisan(string ...$arguments): Command
    {
        return Command::run(array_values($arguments), '', $this->environment);
    }

    public function database(): \PDO
    {
        return new \PDO("sqlite:{$this->file()}");
    }

    /** The file of the database. */
    public function file(): string
    {
        return "{$this->folder}/demo.sqlite";
    }

    public function stop(): void
    {
        foreach ([...$this->serving, ...$this->groups] as $leader) {
            posix_kill(-$leader, SIGTERM);
        }
        if ($this->serving !== []) {
            exec('rm -rf '.escapeshellarg($this->folder));
        }
        [$this->serving, $this->groups] = [[], []];
    }

    /** A database with the demo in it, made once a run. */
    private static function demo(): string
    {
        if (self::$seeded === null) {
            self::$seeded = sys_get_temp_dir().'/honest-core-demo-'.getmypid().'.sqlite';
            touch(self::$seeded);
            $run = Command::run(['migrate', '--seed', '--force'], '', [
                'DB_DATABASE' => self::$seeded,
                'APP_KEY' => (string) getenv('APP_KEY'),
            ]);
            if ($run->status !== 0) {
                throw new \RuntimeException($run->output.$run->error);
            }
            register_shutdown_function(
                static fn () => array_map(static fn (string $end): bool => @unlink(self::$seeded.$end), [
                    '',
                    '-wal',
                    '-shm',
                ]),
            );
        }

        return self::$seeded;
    }

    /**
     * @param list<string> $command
     * @param array<string, string> $environment
     */
    private static function run(array $command, array $environment, string $folder): int
    {
        $log = ['file', "{$folder}/".basename($command[0]).'.log', 'a'];
        $process = proc_open(
            ['setsid', ...$command],
            [['file', '/dev/null', 'r'], $log, $log],
            $pipes,
            null,
            $environment,
        );

        return is_resource($process)
            ? proc_get_status($process)['pid']
            : throw new \RuntimeException("{$command[0]} did not start.");
    }

    /** Below the ports that the system gives to clients: one of those that keeps trying might connect to itself. */
    private static function freePort(): int
    {
        for ($try = 0; $try < 100; $try++) {
            $port = random_int(20_000, 32_000);
            $socket = @stream_socket_server("tcp://127.0.0.1:{$port}");
            if ($socket !== false) {
                fclose($socket);

                return $port;
            }
        }
        throw new \RuntimeException('No port is free.');
    }

    /** Asks by curl, again and again, until there is an answer; curl itself spaces the tries. */
    private static function awaitAnswer(string $url): void
    {
        exec(
            // An answer that is cut off counts as none yet.
            'curl -s -f --retry 100 --retry-delay 1 --retry-all-errors --retry-max-time 60 --max-time 5 '.
                escapeshellarg($url).' > /dev/null',
            $said,
            $status,
        );
        if ($status !== 0) {
            throw new \RuntimeException("{$url} does not answer: curl ends with {$status}.");
        }
    }
}
