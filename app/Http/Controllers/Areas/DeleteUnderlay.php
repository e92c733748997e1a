<?php

declare(strict_types=1);

namespace App\Http\Controllers\Areas;

use App\Models\Underlay;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;

final class DeleteUnderlay
{
    public function __invoke(Underlay $underlay): Response
    {
        Storage::disk('local')->delete($underlay->file);
        $underlay->delete();

        return new Response(status: 204);
    }
}
