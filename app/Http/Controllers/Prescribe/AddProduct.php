<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\Shelf;
use App\Http\Requests\Prescribe\ProductRequest;
use App\Http\Resources\Prescribe\ShelfProductResource;
use Illuminate\Http\JsonResponse;

final class AddProduct
{
    public function __invoke(ProductRequest $request, Shelf $shelf): JsonResponse
    {
        return (new ShelfProductResource($shelf->add($request->row()), true))->response()->setStatusCode(201);
    }
}
