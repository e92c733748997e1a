<?php

declare(strict_types=1);

namespace App\Http\Controllers\Custody;

use App\Actions\Custody\FindPortions;
use App\Actions\Custody\WriteLines;
use App\Http\Requests\Custody\StepRequest;
use App\Http\Resources\Custody\PortionLine;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class TakeStep
{
    public function __invoke(StepRequest $request, FindPortions $find, WriteLines $write): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $portions = $find($request->codes());
        $said = $write($author, $portions, $request->line());

        return new JsonResponse(['portions' => $portions->map(PortionLine::of(...))->values(), 'said' => $said]);
    }
}
