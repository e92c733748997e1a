<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\GuardWithCode;
use App\Http\Requests\People\OwnPasswordRequest;
use Illuminate\Http\Response;

/** Takes one's own second factor away. */
final class EndSecondFactor
{
    public function __invoke(OwnPasswordRequest $request, GuardWithCode $guard): Response
    {
        $guard->end($request->person(), $request->person());

        return new Response(status: 204);
    }
}
