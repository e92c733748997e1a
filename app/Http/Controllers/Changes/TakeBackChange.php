<?php

declare(strict_types=1);

namespace App\Http\Controllers\Changes;

use App\Actions\Changes\TakeBack;
use App\Models\RecordChange;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class TakeBackChange
{
    public function __invoke(Request $request, RecordChange $change, TakeBack $takeBack): Response
    {
        /** @var User $user */
        $user = $request->user();
        $takeBack($change, $user);

        return new Response(status: 204);
    }
}
