<?php

declare(strict_types=1);

namespace App\Http\Controllers\Evidence;

use App\Actions\Evidence\ViewEvidence;
use App\Actions\Readings\NoteGlimpses;
use App\Http\Requests\Evidence\EvidenceRequest;
use App\Http\Resources\Evidence\PairsPage;
use App\Models\TestMethod;

/** More of the pairs of a test, without judging them anew. */
final class ListPairs
{
    public function __invoke(EvidenceRequest $request, TestMethod $method, ViewEvidence $view, NoteGlimpses $note): PairsPage
    {
        $evidence = $view->evidence($method, $request->beside());
        $note->ofSamples($evidence->samples());

        return new PairsPage($evidence, $request->boolean('out'), $request->integer('page', 1));
    }
}
