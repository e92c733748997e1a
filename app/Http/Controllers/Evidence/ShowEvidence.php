<?php

declare(strict_types=1);

namespace App\Http\Controllers\Evidence;

use App\Actions\Evidence\ViewEvidence;
use App\Actions\Readings\NoteGlimpses;
use App\Http\Requests\Evidence\EvidenceRequest;
use App\Http\Resources\Evidence\EvidenceResource;
use App\Models\TestMethod;

/** What a test proves, pair by pair. */
final class ShowEvidence
{
    public function __invoke(EvidenceRequest $request, TestMethod $method, ViewEvidence $view, NoteGlimpses $note): EvidenceResource
    {
        $shown = $view($method, $request->beside());
        $note->ofSamples($shown->evidence->samples());

        return new EvidenceResource($shown);
    }
}
