<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Actions\Verdicts\VerdictStatus;
use App\Http\Resources\Decide\VerdictResource;
use App\Models\SignedVerdict;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

/** Every verdict ever signed, newest first. */
final class ListVerdicts
{
    public function __invoke(VerdictStatus $status): AnonymousResourceCollection
    {
        return VerdictResource::collection($status->all(SignedVerdict::register()));
    }
}
