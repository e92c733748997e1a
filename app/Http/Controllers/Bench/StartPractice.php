<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\Practise;
use App\Http\Resources\Bench\PracticeResource;
use App\Models\TestMethod;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class StartPractice
{
    public function __invoke(Request $request, Practise $practise): JsonResponse
    {
        $request->validate(
            [
                'method_id' => ['required', 'integer'],
                'reader' => ['required', 'string', 'min:2', 'max:80'],
                'source' => ['required', 'in:screen,bench'],
                'known' => ['present', 'array', 'list', 'max:24'],
                'known.*' => ['numeric', 'between:0,100000'],
                'copies' => ['required', 'integer', 'between:1,4'],
            ],
            ['known.*.numeric' => 'Accepted are numbers: what each tube is known to be.'],
        );
        /** @var User $author */
        $author = $request->user();
        $method = TestMethod::ofBench($request->integer('method_id'));
        $round = $practise->start(
            $method,
            $author,
            $request->string('reader')->trim()->toString(),
            $request->string('source')->toString(),
            array_map(floatval(...), array_values($request->array('known'))),
            $request->integer('copies'),
        );

        return (new PracticeResource($round))->response()->setStatusCode(201);
    }
}
