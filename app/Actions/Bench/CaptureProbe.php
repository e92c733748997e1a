<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Exceptions\Conflict;
use App\Models\ProbeCapture;
use App\Models\Reading;
use App\Models\Run;
use App\Models\RunTube;
use App\Models\User;
use HonestCore\Probe\ProbeStream;

/**
 * Takes what a probe streams while it is in a tube. What came is kept as it comes, so that a stream that breaks loses
 * nothing.
 */
final class CaptureProbe
{
    /** A reading off the stream is the mean of this many of its last lines. */
    public const LAST = 8;

    private const KEEP_EVERY = 4;

    public function __construct(private readonly ProbeService $device) {}

    /** @param callable(array<string, mixed>): void $tell called with what became of each line */
    public function __invoke(Run $run, RunTube $tube, User $author, int $seconds, callable $tell): ProbeCapture
    {
        $scale = $run->version->parsed()->scale;
        $probe = $run->version->parsed()->probe;
        if ($probe === null || $scale->lowest === null || $scale->highest === null || $run->state !== 'open') {
            throw Conflict::because('no_probe_in_run');
        }
        $stream = new ProbeStream($scale->lowest, $scale->highest);
        $lines = $this->device->lines($probe, $seconds, $this->soil($tube));
        // The device answers before anything is kept.
        $lines->valid();
        $capture = ProbeCapture::query()->create([
            'run_id' => $run->id,
            'created_by' => $author->id,
            'tube' => $tube->number,
            'readings' => [],
            'gaps' => [],
            'simulated' => $this->device->isSimulated(),
        ]);
        $taken = 0;
        foreach ($lines as $line) {
            $tell($stream->take($line));
            if (++$taken % self::KEEP_EVERY === 0) {
                $this->keep($capture, $stream);
            }
        }
        $end = $lines->getReturn();
        if ($end !== 'done' || $taken === 0) {
            $stream->stopped($end === 'done' ? 'The device sent nothing.' : $end);
        }
        $this->keep($capture, $stream);

        return $capture;
    }

    private function keep(ProbeCapture $capture, ProbeStream $stream): void
    {
        $capture->update(['readings' => $stream->good(), 'gaps' => $stream->gaps()]);
    }

    /** @return array{token: string, ph: float|null} */
    private function soil(RunTube $tube): array
    {
        $ph = Reading::query()
            ->where('sample_id', $tube->portion->sample_id)
            ->whereHas('method', static fn ($method) => $method->where('analyte', 'ph')->where('workplace', 'lab'))
            ->whereNotNull('value')
            ->value('value');

        return [
            'token' => hash('crc32b', "soil {$tube->portion->sample_id}"),
            'ph' => is_numeric($ph) ? (float) $ph : null,
        ];
    }
}
