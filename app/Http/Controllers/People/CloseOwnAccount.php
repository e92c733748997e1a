<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Actions\People\KeepPeople;
use App\Http\Requests\People\OwnPasswordRequest;
use Illuminate\Http\Response;

/** Closes one's own account; what was written stays, with the name. */
final class CloseOwnAccount
{
    public function __invoke(OwnPasswordRequest $request, KeepPeople $people): Response
    {
        $people->close($request->person(), $request->person());

        return new Response(status: 204);
    }
}
