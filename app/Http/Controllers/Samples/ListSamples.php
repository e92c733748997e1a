<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Readings\NoteGlimpses;
use App\Database\Page;
use App\Http\Resources\Samples\SampleResource;
use App\Models\Sample;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * The composites of a site for the bench, without what labs found, and for the reports; some at a time, those that a
 * method has read or has not, or whose label or area has some words in it.
 */
final class ListSamples
{
    private const PER_PAGE = 50;

    public function __invoke(Request $request, NoteGlimpses $note): JsonResponse
    {
        $request->validate([
            'site_id' => ['required', 'integer'],
            'results' => ['sometimes', 'boolean'],
            'read_by' => ['sometimes', 'integer'],
            'not_read_by' => ['sometimes', 'integer'],
            'id' => ['sometimes', 'integer'],
            'q' => ['sometimes', 'string', 'max:60'],
            'page' => Page::ASKED,
        ]);
        $results = $request->boolean('results', true);
        $query = Sample::newestOfSite($request->integer('site_id'), $results);
        if ($request->filled('read_by')) {
            Sample::readBy($query, $request->integer('read_by'));
        }
        if ($request->filled('not_read_by')) {
            Sample::notReadBy($query, $request->integer('not_read_by'));
        }
        if ($request->filled('id')) {
            $query->whereKey($request->integer('id'));
        }
        if ($request->filled('q')) {
            Sample::named($query, $request->string('q')->toString());
        }
        $page = Page::of($query, $request->integer('page', 1), self::PER_PAGE);
        if ($results) {
            $note->ofSamples(array_values($page->rows->modelKeys()));
        }

        return new JsonResponse($page->told(static fn (Sample $sample): SampleResource => new SampleResource($sample)));
    }
}
