<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reports;

use App\Actions\Reports\AskedQuestion;
use App\Actions\Reports\RecordAnswer;
use App\Http\Resources\Reports\QuestionResource;
use App\Models\ReportQuestion;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class AnswerQuestion
{
    public function __invoke(Request $request, ReportQuestion $question, RecordAnswer $answer): QuestionResource
    {
        $request->validate(
            [
                'answer' => ['required', Rule::in(RecordAnswer::ANSWERS)],
                'note' => ['required', 'string', 'min:3', 'max:2000'],
            ],
            [
                'note.required' => 'Say why: nothing is passed over in silence.',
                'note.min' => 'Say why: nothing is passed over in silence.',
            ],
        );
        /** @var User $author */
        $author = $request->user();
        $answered = $answer(
            $question,
            $author,
            $request->string('answer')->toString(),
            $request->string('note')->trim()->toString(),
        );

        return new QuestionResource(AskedQuestion::of($answered, $author->name));
    }
}
