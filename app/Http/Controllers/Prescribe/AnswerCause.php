<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\ComposeProgram;
use App\Http\Resources\Prescribe\ProgramResource;
use App\Models\Area;
use App\Models\PhAnswer;
use App\Models\User;
use HonestCore\Program\HighPhCauses;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** An answer to what may have lifted the pH; it stays on the area. */
final class AnswerCause
{
    public function __invoke(Request $request, Area $area, ComposeProgram $compose): JsonResponse
    {
        $request->validate([
            'question' => ['required', 'string', 'max:40'],
            'answer' => ['required', 'string', 'max:10'],
            'note' => ['present', 'nullable', 'string', 'max:300'],
            'crop' => ['sometimes', 'nullable', 'string', 'max:40'],
        ]);
        HighPhCauses::check($request->string('question')->toString(), $request->string('answer')->toString());
        /** @var User $author */
        $author = $request->user();
        PhAnswer::give(
            $area,
            $author,
            $request->string('question')->toString(),
            $request->string('answer')->toString(),
            $request->string('note')->toString(),
        );
        $crop = $request->filled('crop') ? $request->string('crop')->toString() : null;

        return (new ProgramResource($compose($area, $compose->chosen($area, $crop))))->response()->setStatusCode(201);
    }
}
