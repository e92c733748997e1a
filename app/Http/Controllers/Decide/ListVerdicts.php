<?php

declare(strict_types=1);

namespace App\Http\Controllers\Decide;

use App\Http\Resources\Decide\VerdictResource;
use App\Models\Verdict;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

/** Every verdict ever signed, newest first. */
final class ListVerdicts
{
    public function __invoke(): AnonymousResourceCollection
    {
        return VerdictResource::collection(
            Verdict::query()->with(Verdict::SHOWN_WITH)->orderByDesc('id')->get(Verdict::LISTED),
        );
    }
}
