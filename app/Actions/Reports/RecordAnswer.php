<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\AllOrNothing;
use App\Database\Values;
use App\Exceptions\Conflict;
use App\Models\LabResult;
use App\Models\QuestionAnswer;
use App\Models\Reading;
use App\Models\ReportQuestion;
use App\Models\ResultMark;
use App\Models\User;

/**
 * Keeps what a person said to a question: a note, a recheck to be ordered, or that the results are left out, by rule
 * and visibly.
 */
final class RecordAnswer
{
    public const ANSWERS = ['note', 'recheck', 'exclude'];

    public const BREAK = 'lab-question';

    public function __construct(private readonly OrderRecheck $recheck) {}

    public function __invoke(ReportQuestion $question, User $author, string $answer, string $note): ReportQuestion
    {
        self::refuseLate($question);
        // The lab is asked before anything is kept: an order that did not reach it is none.
        $word = $answer === 'recheck' ? ($this->recheck)($question, $note) : '';
        $note = $word === '' ? $note : "{$note} (the lab: {$word})";

        return AllOrNothing::of(static function () use ($question, $author, $answer, $note): ReportQuestion {
            $question = ReportQuestion::query()->findOrFail($question->id);
            self::refuseLate($question);
            QuestionAnswer::record([
                'question_id' => $question->id,
                'answer' => $answer,
                'note' => $note,
                'created_by' => $author->id,
            ]);
            $question->update([
                'answer' => $answer,
                'note' => $note,
                'answered_by' => $author->id,
                'answered_at' => now(),
            ]);
            if ($answer === 'exclude') {
                self::leaveOut($question, $author, mb_substr($note, 0, 250));
            }

            return $question;
        });
    }

    /** The results are marked, and their readings corrected by the same ones with the break said. */
    private static function leaveOut(ReportQuestion $question, User $author, string $why): void
    {
        $results = LabResult::query()->whereKey($question->result_ids)->where('excluded', '')->get();
        $stands = Reading::standingFor(Values::wholes($results->pluck('reading_id')->filter()));
        $readings = Reading::query()->whereKey($stands)->get()->keyBy('id');
        ResultMark::leaveOut($results, $author, $why);
        foreach ($results as $result) {
            $reading = $readings->get($stands[$result->reading_id ?? 0] ?? 0);
            if ($reading !== null) {
                $flags = array_values(array_unique([...$reading->flags, self::BREAK]));
                $result->update(['reading_id' => $reading->corrected(['flags' => $flags])->id]);
            }
        }
    }

    private static function refuseLate(ReportQuestion $question): void
    {
        if ($question->answer === 'exclude') {
            throw Conflict::because('results_left_out');
        }
    }
}
