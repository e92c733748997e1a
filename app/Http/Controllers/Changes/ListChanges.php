<?php

declare(strict_types=1);

namespace App\Http\Controllers\Changes;

use App\Database\Page;
use App\Http\Resources\Changes\ChangeResource;
use App\Models\RecordChange;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** What was changed of names, facts, answers and moves; newest first. */
final class ListChanges
{
    private const PER_PAGE = 50;

    public function __invoke(Request $request): JsonResponse
    {
        $request->validate([
            'page' => Page::ASKED,
            'kind' => ['sometimes', Rule::in(RecordChange::KINDS)],
            'record' => ['sometimes', 'integer', 'between:1,999999999999999'],
        ]);
        $kind = $request->filled('kind') ? $request->string('kind')->toString() : null;
        $record = $request->filled('record') ? $request->integer('record') : null;

        return new JsonResponse(
            Page::of(RecordChange::register($kind, $record), $request->integer('page', 1), self::PER_PAGE)->told(
                static fn (RecordChange $change): array => (new ChangeResource($change))->toArray($request),
            ),
        );
    }
}
