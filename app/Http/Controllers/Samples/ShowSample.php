<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Actions\Readings\NoteGlimpses;
use App\Http\Resources\Samples\SampleResource;
use App\Models\Sample;

final class ShowSample
{
    public function __invoke(Sample $sample, NoteGlimpses $note): SampleResource
    {
        $note->ofSamples([$sample->id]);

        return new SampleResource($sample->shown());
    }
}
