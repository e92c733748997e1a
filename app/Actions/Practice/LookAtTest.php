<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Exceptions\Conflict;
use App\Models\PracticeField;
use App\Models\Reading;
use App\Models\Run;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Bench\ObservedBreak;

/** What somebody sees who looks at a test on practice ground, in words: they decide what they have read. */
final class LookAtTest
{
    public function __construct(private readonly ReadByKit $kit) {}

    /**
     * @param int|null $tube of the run
     * @param list<string> $flags how it was done beside what a run says of itself
     */
    public function __invoke(Sample $sample, TestMethod $test, string $reader, ?Run $run, ?int $tube, array $flags): string
    {
        $field = PracticeField::here() ?? throw Conflict::because('practice_not_here');
        if ($test->analyte !== 'ph' || $test->workplace !== 'bench') {
            throw Conflict::because('practice_no_instrument');
        }
        $ofRun = $run === null ? [] : array_map(
            static fn (ObservedBreak $one): string => $one->code,
            $run->loadMissing('version')->version->parsed()->breaksOf($run->said, $run->celsius),
        );
        $breaks = array_values(array_unique([...$ofRun, ...$flags]));
        // By their places on this ground, and not by numbers of rows: the same season shows the same to everybody.
        [$session, $turn, $lot] = $run === null
            ? ['by hand '.($field->lesson ?? now()->format('Y-m-d')), ' reading '.Reading::countOf($sample, $test), $test->lot]
            : ['run '.$run->place(), " tube {$tube}", implode(', ', array_column($run->lots, 'lot'))];

        return $this->kit->words(
            $test->scale(),
            $this->kit->ph($field, $sample, $test, $lot, $reader, $session, $turn, $breaks),
        );
    }
}
