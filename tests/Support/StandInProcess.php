<?php

declare(strict_types=1);

namespace Tests\Support;

/** The stand-in of a lab as a real process on a port of its own; it stops when told to. */
final class StandInProcess
{
    /** @param resource $process */
    private function __construct(public readonly string $address, private readonly string $state, private $process) {}

    public static function start(): self
    {
        $state = (string) tempnam(sys_get_temp_dir(), 'stand-in');
        for ($try = 0; $try < 50; $try++) {
            $port = random_int(20_000, 32_000);
            $process = proc_open(
                ['php', '-S', "127.0.0.1:{$port}", dirname(__DIR__, 2).'/stand-in/index.php'],
                [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
                $pipes,
                null,
                [
                    'PATH' => (string) getenv('PATH'),
                    'STAND_IN_STATE' => $state,
                ],
            );
            exec(
                "curl -s -o /dev/null --retry 20 --retry-delay 1 --retry-connrefused --max-time 5 http://127.0.0.1:{$port}/clock",
                $said,
                $status,
            );
            if (is_resource($process) && $status === 0 && proc_get_status($process)['running']) {
                return new self("http://127.0.0.1:{$port}", $state, $process);
            }
        }
        throw new \RuntimeException('The stand-in did not start.');
    }

    public function stop(): void
    {
        proc_terminate($this->process, SIGKILL);
        proc_close($this->process);
        @unlink($this->state);
    }
}
