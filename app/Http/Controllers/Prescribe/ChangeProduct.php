<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\Shelf;
use App\Http\Requests\Prescribe\ProductRequest;
use App\Http\Resources\Prescribe\ShelfProductResource;

final class ChangeProduct
{
    public function __invoke(ProductRequest $request, string $product, Shelf $shelf): ShelfProductResource
    {
        return new ShelfProductResource($shelf->put($product, $request->row(), $request->input('state')), true);
    }
}
