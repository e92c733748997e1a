<?php

declare(strict_types=1);

namespace App\Http\Controllers\Evidence;

use App\Actions\Evidence\ViewEvidence;
use App\Actions\Readings\NoteGlimpses;
use App\Http\Resources\Evidence\EvidenceResource;
use App\Models\TestMethod;
use Illuminate\Http\Request;

/** What a test proves, pair by pair. */
final class ShowEvidence
{
    public function __invoke(Request $request, TestMethod $method, ViewEvidence $view, NoteGlimpses $note): EvidenceResource
    {
        $request->validate([
            'reference' => ['sometimes', 'integer'],
            'reader' => ['nullable', 'string', 'max:120', 'required_with:against'],
            'records' => ['sometimes', 'boolean'],
            'against' => ['nullable', 'string', 'max:120', 'required_with:reader'],
        ]);

        $reference = $request->filled('reference') ? $request->integer('reference') : null;
        $shown = match (true) {
            $request->filled('reader') => $view->readers(
                $method,
                $request->string('against')->toString(),
                $request->string('reader')->toString(),
            ),
            $request->boolean('records') => $view->records($method, $reference),
            default => $view->beside($method, $reference),
        };
        $note->ofSamples($shown->evidence->samples());

        return new EvidenceResource($shown);
    }
}
