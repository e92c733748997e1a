<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\Practise;
use App\Http\Resources\Bench\PracticeResource;
use App\Models\PracticeRound;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class AnswerPractice
{
    public function __invoke(Request $request, PracticeRound $round, Practise $practise): JsonResponse
    {
        $request->validate([
            'answers' => ['required', 'array', 'list', 'max:48'],
            'answers.*.band' => ['required', 'string', 'max:40'],
            'answers.*.between' => ['present', 'nullable', 'string', 'max:40'],
        ]);
        /** @var list<array{band: string, between: string|null}> $answers */
        $answers = $request->array('answers');

        return (new PracticeResource($practise->answer($round, $answers)))->response();
    }
}
