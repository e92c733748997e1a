<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Http\Resources\Bench\VisionResource;
use App\Models\User;
use App\Models\VisionRecord;
use HonestCore\Colour\VisionCheck;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class KeepVisionCheck
{
    public function __invoke(Request $request): JsonResponse
    {
        $request->validate(
            [
                'reader' => ['required', 'string', 'min:2', 'max:80'],
                'seed' => ['required', 'integer', 'between:1,2000000000'],
                'answers' => ['required', 'array', 'list', 'max:30'],
                'answers.*' => ['nullable', 'string', 'regex:/^[0-9]$/'],
            ],
            ['answers.*.regex' => 'Accepted is one digit, or nothing.'],
        );
        /** @var User $author */
        $author = $request->user();
        /** @var list<string|null> $answers */
        $answers = $request->array('answers');
        $found = VisionCheck::judge($request->integer('seed'), $answers);

        return new JsonResponse(
            new VisionResource(
                VisionRecord::record([
                    'created_by' => $author->id,
                    'reader' => $request->string('reader')->trim()->toString(),
                    'seed' => $request->integer('seed'),
                    'answers' => $answers,
                    'passed' => $found->passed,
                    'right' => $found->right,
                    'plates' => $found->of,
                    'words' => $found->words,
                    'taken_on' => now()->format('Y-m-d'),
                ]),
            ),
            201,
        );
    }
}
