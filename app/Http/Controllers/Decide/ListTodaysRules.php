<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Decide\TodaysRules;
use App\Database\Page;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What the rules of today say of verdicts that were signed before. */
final class ListTodaysRules
{
    public function __invoke(Request $request, TodaysRules $rules): JsonResponse
    {
        $request->validate(['page' => Page::ASKED]);

        return new JsonResponse($rules($request->integer('page', 1)));
    }
}
