<?php

declare(strict_types=1);

namespace App\Http\Controllers\Labs;

use App\Actions\Custody\FindPortions;
use App\Actions\Labs\Pack;
use App\Actions\Labs\ViewConsignment;
use App\Http\Requests\Labs\ConsignmentRequest;
use App\Http\Resources\Labs\ConsignmentResource;
use App\Models\User;
use Illuminate\Http\JsonResponse;

final class PackConsignment
{
    public function __invoke(ConsignmentRequest $request, Pack $pack, FindPortions $find, ViewConsignment $view): JsonResponse
    {
        /** @var User $author */
        $author = $request->user();
        $made = $pack(
            $author,
            $request->lab(),
            $request->contents($find),
            $request->answers(),
            $request->string('submission')->toString(),
        );

        $status = $made->wasRecentlyCreated ? 201 : 200;

        return (new ConsignmentResource($view($made, $author)))->response()->setStatusCode($status);
    }
}
