<?php

declare(strict_types=1);

namespace App\Http\Controllers\Samples;

use App\Http\Resources\Samples\SampleResource;
use App\Models\Sample;

final class ShowSample
{
    public function __invoke(Sample $sample): SampleResource
    {
        return new SampleResource($sample->shown());
    }
}
