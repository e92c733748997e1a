<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Exceptions\Conflict;
use App\Exceptions\RefusedRows;
use App\Models\Run;
use App\Models\User;
use HonestCore\Bench\BenchRun;
use HonestCore\Bench\StepKind;
use HonestCore\Probe\LoggerFile;
use Illuminate\Support\Str;

/**
 * Reads the tubes of a run from a logger's file, whole or not at all. A portion that stands on several rows reads its
 * replicates in their order.
 */
final class TakeLoggerFile
{
    public function __construct(private readonly MarkRun $mark, private readonly LeadRun $lead) {}

    public function __invoke(Run $run, User $author, string $text, string $reader, int $nowMs): Run
    {
        $run->load(['tubes.portion', 'marks', 'version']);
        $scale = $run->version->parsed()->scale;
        if ($scale->lowest === null || $scale->highest === null) {
            throw Conflict::because('no_probe_for_logger');
        }
        $rows = LoggerFile::read($text, $scale->lowest, $scale->highest);
        $replay = $this->lead->replay($run, $nowMs);
        [$marks, $refused, $used] = [[], [], []];
        foreach ($rows as $row) {
            $tube = $run->tubes
                ->sortBy('number')
                ->first(
                    fn ($tube): bool => $tube->portion->code === $row['portion'] &&
                        ! isset($used[$tube->number]) &&
                        self::waits($replay, $tube->number, $reader),
                );
            if ($tube === null) {
                $refused[] = [
                    'row' => $row['row'],
                    'field' => 'portion',
                    'message' => "row {$row['row']}, portion: no tube of \"{$row['portion']}\" waits for a reading ".
                        "by {$reader}; accepted are portions of this run whose tubes have come to the reading.",
                ];

                continue;
            }
            $used[$tube->number] = true;
            $marks[] = [
                'uuid' => (string) Str::uuid(),
                'kind' => 'read',
                'tube' => $tube->number,
                'at_ms' => $nowMs,
                'data' => [
                    'step' => (string) $replay->tubes[$tube->number]->step()?->code,
                    'reader' => $reader,
                    'typed' => $row['typed'],
                    'note' => 'From the logger'.($row['celsius'] === null ? '.' : ", {$row['celsius']} °C."),
                ],
            ];
        }
        if ($refused !== []) {
            throw new RefusedRows($refused);
        }

        return ($this->mark)($run, $author, $nowMs, $marks);
    }

    private static function waits(BenchRun $replay, int $tube, string $reader): bool
    {
        $state = $replay->tubes[$tube];

        return $state->step()?->kind === StepKind::Read && in_array($reader, $state->unread(), true);
    }
}
