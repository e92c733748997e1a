<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Http\Resources\Bench\VisionResource;
use App\Models\VisionRecord;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListVisionChecks
{
    public function __invoke(): AnonymousResourceCollection
    {
        return VisionResource::collection(VisionRecord::newest(200));
    }
}
