<?php

declare(strict_types=1);

namespace App\Http\Controllers\Session;

use App\Actions\People\SignIns;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class SignOut
{
    public function __invoke(Request $request, SignIns $signIns): Response
    {
        $signIns->leave($request);

        return new Response(status: 204);
    }
}
