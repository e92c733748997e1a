<?php

declare(strict_types=1);

namespace App\Http\Controllers\Custody;

use App\Actions\Custody\FindPortions;
use App\Http\Resources\Custody\PortionLine;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The portion that a scanned or typed code names. */
final class FindPortion
{
    public function __invoke(Request $request, FindPortions $find): JsonResponse
    {
        $found = $find([mb_substr($request->string('code')->trim()->toString(), 0, 40)])->firstOrFail();

        return new JsonResponse(PortionLine::of($found));
    }
}
