<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Models\Landmark;
use Illuminate\Http\Response;

/** Plans keep the landmarks they were drafted with, so a landmark can go. */
final class DeleteLandmark
{
    public function __invoke(Landmark $landmark): Response
    {
        $landmark->delete();

        return new Response(status: 204);
    }
}
