<?php

declare(strict_types=1);

namespace App\Http\Controllers\Custody;

use App\Http\Resources\Custody\PortionLine;
use App\Models\Portion;
use Illuminate\Http\JsonResponse;

final class ShowPortion
{
    public function __invoke(Portion $portion): JsonResponse
    {
        return new JsonResponse(PortionLine::whole($portion));
    }
}
