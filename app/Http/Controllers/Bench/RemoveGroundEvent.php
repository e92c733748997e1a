<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Models\GroundEvent;
use Illuminate\Http\Response;

final class RemoveGroundEvent
{
    public function __invoke(GroundEvent $event): Response
    {
        $event->delete();

        return response()->noContent();
    }
}
