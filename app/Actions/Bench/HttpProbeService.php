<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Database\Values;
use App\Exceptions\Conflict;

/**
 * A device that streams its readings over HTTP as lines of JSON, at the address that whoever runs the application has
 * set.
 */
final class HttpProbeService implements ProbeService
{
    private const SILENT_S = 3;

    /** The line by which a device says that it is through. */
    private const END = '{"end":true}';

    private const LONGEST_LINE = 4096;

    public function __construct(private readonly ?string $address, private readonly bool $simulated) {}

    public function isThere(): bool
    {
        return $this->address !== null;
    }

    public function isSimulated(): bool
    {
        return $this->simulated;
    }

    public function lines(string $probe, int $seconds, array $soil): \Generator
    {
        if ($this->address === null) {
            throw Conflict::because('no_device');
        }
        $query = http_build_query([
            'seconds' => $seconds,
            ...$this->simulated ? ['soil' => $soil['token']] + $soil : [],
        ]);
        $context = stream_context_create([
            'http' => ['timeout' => self::SILENT_S, 'follow_location' => 0, 'ignore_errors' => true],
        ]);
        $stream = @fopen("{$this->address}/instruments/{$probe}?{$query}", 'rb', false, $context);
        $head = $stream === false ? [] : (array) (stream_get_meta_data($stream)['wrapper_data'] ?? []);
        if ($stream === false || preg_match('#^HTTP/\S+ 200\b#', Values::text($head[0] ?? '')) !== 1) {
            throw Conflict::because('device_silent');
        }
        try {
            return yield from $this->read($stream, $seconds);
        } finally {
            fclose($stream);
        }
    }

    /**
     * @param resource $stream
     * @return \Generator<int, string, mixed, string>
     */
    private function read($stream, int $seconds): \Generator
    {
        stream_set_timeout($stream, self::SILENT_S);
        $until = hrtime(true) + ($seconds + self::SILENT_S) * 1_000_000_000;
        while (hrtime(true) < $until) {
            $line = fgets($stream, self::LONGEST_LINE);
            if ($line === false) {
                return match (true) {
                    stream_get_meta_data($stream)['timed_out'] => 'The device has been silent for '.
                        self::SILENT_S.
                        ' s.',
                    feof($stream) => 'The device ended before its time.',
                    default => 'The line to the device broke.',
                };
            }
            $line = trim($line);
            if ($line === self::END) {
                return 'done';
            }
            if ($line !== '') {
                yield $line;
            }
        }

        return 'done';
    }
}
