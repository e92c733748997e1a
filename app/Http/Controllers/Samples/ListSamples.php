<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Readings\NoteGlimpses;
use App\Http\Resources\Samples\SampleResource;
use App\Models\Sample;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

/** The newest composites of a site, for the bench, without what labs found, and the reports; the ledger has them all. */
final class ListSamples
{
    private const MOST = 500;

    public function __invoke(Request $request, NoteGlimpses $note): AnonymousResourceCollection
    {
        $request->validate(['results' => ['sometimes', 'boolean']]);
        $results = $request->boolean('results', true);
        $samples = Sample::newestOfSite($request->integer('site_id'), self::MOST, $results);
        if ($results) {
            $note->ofSamples(array_values($samples->modelKeys()));
        }

        return SampleResource::collection($samples);
    }
}
