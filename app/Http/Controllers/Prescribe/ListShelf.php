<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\Shelf;
use App\Http\Resources\Prescribe\ShelfProductResource;
use HonestCore\Program\ShelfProduct;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ListShelf
{
    public function __invoke(Request $request, Shelf $shelf): JsonResponse
    {
        $own = $shelf->own();

        return new JsonResponse([
            'kinds' => ShelfProduct::kinds(),
            'products' => array_map(
                static fn (ShelfProduct $one): array => (new ShelfProductResource($one, isset($own[$one->code])))->toArray($request),
                array_values($shelf->all()),
            ),
        ]);
    }
}
