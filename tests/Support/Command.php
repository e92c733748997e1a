<?php

declare(strict_types=1);

namespace Tests\Support;

use PHPUnit\Framework\Assert;

/** One run of an artisan command in a process of its own, with no .env and no database. */
final readonly class Command
{
    private function __construct(public int $status, public string $output, public string $error) {}

    /**
     * @param list<string> $arguments
     * @param array<string, string> $environment
     */
    public static function run(array $arguments, string $input = '', array $environment = []): self
    {
        $bare = [
            'PATH' => (string) getenv('PATH'),
            'HOME' => sys_get_temp_dir(),
            'APP_ENV' => 'none',
            'DB_DATABASE' => '/nowhere/at/all.sqlite',
            ...$environment,
        ];
        $process = proc_open(
            [PHP_BINARY, dirname(__DIR__, 2).'/artisan', ...$arguments],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            dirname(__DIR__, 2),
            $bare,
        );
        Assert::assertIsResource($process);
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $output = (string) stream_get_contents($pipes[1]);
        $error = (string) stream_get_contents($pipes[2]);

        return new self(proc_close($process), $output, $error);
    }

    /** @return array<string, mixed> */
    public function json(): array
    {
        Assert::assertSame([0, ''], [$this->status, $this->error], $this->output);
        $document = json_decode($this->output, true, 512, JSON_THROW_ON_ERROR);
        Assert::assertIsArray($document);

        return $document;
    }
}
