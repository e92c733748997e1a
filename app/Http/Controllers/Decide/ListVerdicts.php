<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Http\Resources\Decide\VerdictResource;
use App\Models\SignedVerdict;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

/** Every verdict ever signed, newest first. */
final class ListVerdicts
{
    public function __invoke(): AnonymousResourceCollection
    {
        return VerdictResource::collection(
            SignedVerdict::query()->with(SignedVerdict::SHOWN_WITH)->orderByDesc('id')->get(SignedVerdict::LISTED),
        );
    }
}
